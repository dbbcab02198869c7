package markturn.survey.finding.judgement;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredSetup;

/** What was judged of each setup before, taken over where it is the very same result with the same checks. */
public final class JudgementCache {
    private Map<MeasuredSetup, Of> known = new IdentityHashMap<>();
    private Map<MeasuredSetup, Of> inUse = new IdentityHashMap<>();

    private record Of(List<Check> checks, List<Judgement> judgements) {}

    public List<Judgement> judgements(MeasuredSetup setup, List<Check> checks, Supplier<List<Judgement>> judge) {
        Of before = known.get(setup);
        Of now = before != null && before.checks.equals(checks) ? before : new Of(checks, judge.get());
        inUse.put(setup, now);
        return now.judgements;
    }

    /** Lets go of what this job does not hold any more. */
    public void done() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
