package markturn.survey.finding.base;

import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredSetup;

/**
 * What a rule for one setup looks at, and all that it can look at.
 *
 * @param settings the job as it is seen from this setup: no other setup, no mark this one does not refer to, no decision
 * @param setup what was measured there
 */
public record SetupEvidence(Job settings, MeasuredSetup setup) {
    /** Numbers in this job's units. */
    public Words words() {
        return new Words(settings.units());
    }
}
