package markturn.survey.finding.base;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.finding.judgement.Legs;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/** What a rule for one setup looks at, and all that it can look at. */
public final class SetupEvidence {
    private final Job settings;
    private final MeasuredSetup setup;
    private List<SetAbstract> ends;

    /**
     * @param settings the job as it is seen from this setup: no other setup, no mark this one does not refer to, no decision
     * @param setup what was measured there
     */
    public SetupEvidence(Job settings, MeasuredSetup setup) {
        this.settings = settings;
        this.setup = setup;
    }

    public Job settings() {
        return settings;
    }

    public MeasuredSetup setup() {
        return setup;
    }

    /** Its sights that may be one end of a leg measured from both ({@link Legs#isEnd}): of thousands a few, sought once for all rules. */
    public List<SetAbstract> ends() {
        if (ends == null) {
            ends = new ArrayList<>();
            for (SetAbstract sets : setup.abstracts()) {
                if (Legs.isEnd(settings, sets)) {
                    ends.add(sets);
                }
            }
        }
        return ends;
    }

    /** Numbers in this job's units. */
    public Words words() {
        return new Words(settings.units());
    }
}
