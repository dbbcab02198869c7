package markturn.survey.network;

import java.util.List;
import java.util.Map;
import markturn.survey.result.SingleFault.What;

/** One thing that may be wrong, in one way or in two: by observation, how much of it each takes. */
record Hypothesis(What what, List<Map<Integer, Double>> ways) {
    static Hypothesis one(What what, Map<Integer, Double> shares) {
        return new Hypothesis(what, List.of(shares));
    }
}
