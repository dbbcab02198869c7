package markturn.survey.network;

import java.util.List;
import java.util.Map;
import java.util.Set;
import markturn.survey.result.SingleFault.What;

/** One thing that may be wrong, in one way or in two: by observation, how much of it each takes. */
record Hypothesis(What what, List<Map<Integer, Double>> ways) {
    static Hypothesis one(What what, Map<Integer, Double> shares) {
        return new Hypothesis(what, List.of(shares));
    }

    /** Whether it is of one observation alone, and that among some. */
    boolean isIn(Set<Integer> observations) {
        return ways.size() == 1
                && ways.get(0).size() == 1
                && observations.containsAll(ways.get(0).keySet());
    }
}
