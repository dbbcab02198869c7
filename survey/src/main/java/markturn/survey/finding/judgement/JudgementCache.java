package markturn.survey.finding.judgement;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredSetup;

/** What was judged of each setup before, taken over where it is the very same result with the same checks. */
public final class JudgementCache {
    private Map<MeasuredSetup, Remembered> known = new IdentityHashMap<>();
    private Map<MeasuredSetup, Remembered> inUse = new IdentityHashMap<>();

    private record Remembered(List<Check> checks, List<Judgement> judgements) {}

    public List<Judgement> judgements(MeasuredSetup setup, List<Check> checks, Supplier<List<Judgement>> judge) {
        Remembered before = known.get(setup);
        Remembered now = before != null && before.checks.equals(checks) ? before : new Remembered(checks, judge.get());
        inUse.put(setup, now);
        return now.judgements;
    }

    /** Lets go of what this job does not hold any more. */
    public void done() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
