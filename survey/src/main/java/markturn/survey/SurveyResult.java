package markturn.survey;

import java.util.List;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.job.Job;
import markturn.survey.result.Measured;

/** A job as computed and judged: every tested quantity with its limit, and the findings in words. */
public record SurveyResult(Job job, Measured measured, List<Judgement> judgements, List<Finding> findings) {
    /** The findings of one setup. */
    public List<Finding> findingsOf(String setup) {
        return findings.stream().filter(f -> f.setup().equals(setup)).toList();
    }
}
