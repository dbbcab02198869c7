package markturn.survey.network;

import java.util.List;
import java.util.Set;
import markturn.survey.adjust.Shares;
import markturn.survey.result.SingleFault.What;

/** One thing that may be wrong, in one way or in two: by observation, how much of it each takes. */
record Hypothesis(What what, List<Shares> ways) {
    static Hypothesis one(What what, Shares shares) {
        return new Hypothesis(what, List.of(shares));
    }

    /** Whether it is of one observation alone, and that among some. */
    boolean isIn(Set<Integer> observations) {
        return ways.size() == 1
                && ways.get(0).count() == 1
                && observations.contains(ways.get(0).observation(0));
    }
}
