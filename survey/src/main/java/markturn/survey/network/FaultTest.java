package markturn.survey.network;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.chance.Distributions;
import markturn.survey.result.Observation;
import markturn.survey.result.SingleFault;
import markturn.survey.result.SingleFault.What;

/** One fault in an adjustment, along the one or two directions in which its ways are independent of each other. */
final class FaultTest {
    /** A share of a fault that shows in no residual, by its weight: below this only thousands of deviations would, or rounding. */
    private static final double SHOWN = 1e-6;

    /** A shift by a fault of one standard deviation below this is none, metres. */
    private static final double NO_SHIFT = 1e-6;

    /** So many hypotheses are tried in one go. */
    private static final int TOGETHER = 48;

    private final Hypothesis hypothesis;
    private final Adjustment adjustment;
    private final Adjustment.Response[] responses;
    private final double[] weights;
    private final double[][] axes;
    private final double[] shown;

    FaultTest(Adjustment adjustment, Hypothesis hypothesis) {
        this(adjustment, hypothesis, adjustment.responses(hypothesis.ways()));
    }

    /**
     * Tries many.
     *
     * @param taken is handed each trial in order; none of them is kept
     */
    static void each(Adjustment adjustment, List<Hypothesis> hypotheses, Consumer<FaultTest> taken) {
        for (int from = 0; from < hypotheses.size(); from += TOGETHER) {
            List<Hypothesis> some = hypotheses.subList(from, Math.min(from + TOGETHER, hypotheses.size()));
            List<Map<Integer, Double>> ways =
                    some.stream().flatMap(h -> h.ways().stream()).toList();
            List<Adjustment.Response> responses = adjustment.responses(ways);
            int next = 0;
            for (Hypothesis hypothesis : some) {
                int after = next + hypothesis.ways().size();
                taken.accept(new FaultTest(adjustment, hypothesis, responses.subList(next, after)));
                next = after;
            }
        }
    }

    private FaultTest(Adjustment adjustment, Hypothesis hypothesis, List<Adjustment.Response> answers) {
        this.hypothesis = hypothesis;
        this.adjustment = adjustment;
        int ways = hypothesis.ways().size();
        this.responses = answers.toArray(Adjustment.Response[]::new);
        double[][] matrix = new double[2][2];
        double[][] weight = new double[2][2];
        for (int i = 0; i < ways; i++) {
            for (int j = 0; j < ways; j++) {
                weight[i][j] =
                        weight(hypothesis.ways().get(i), hypothesis.ways().get(j));
                matrix[i][j] = weight[i][j] - responses[i].takenUp(responses[j]);
            }
        }
        this.axes = ways == 1 ? new double[][] {{1}} : axes(matrix);
        this.shown = new double[ways];
        this.weights = new double[ways];
        for (int k = 0; k < ways; k++) {
            for (int i = 0; i < ways; i++) {
                for (int j = 0; j < ways; j++) {
                    shown[k] += axes[k][i] * matrix[i][j] * axes[k][j];
                    weights[k] += axes[k][i] * weight[i][j] * axes[k][j];
                }
            }
        }
    }

    private double weight(Map<Integer, Double> one, Map<Integer, Double> shares) {
        double sum = 0;
        for (Map.Entry<Integer, Double> entry : one.entrySet()) {
            double stdDev = adjustment.stdDev(entry.getKey());
            sum += entry.getValue() * shares.getOrDefault(entry.getKey(), 0.0) / (stdDev * stdDev);
        }
        return sum;
    }

    private static double[][] axes(double[][] m) {
        double turn = Math.atan2(2 * m[0][1], m[0][0] - m[1][1]) / 2;
        return new double[][] {{Math.cos(turn), Math.sin(turn)}, {-Math.sin(turn), Math.cos(turn)}};
    }

    private boolean isShown(int axis) {
        return weights[axis] > 0 && shown[axis] > SHOWN * weights[axis];
    }

    What what() {
        return hypothesis.what();
    }

    Hypothesis hypothesis() {
        return hypothesis;
    }

    /** How well it explains the residuals; empty where nothing shows it. */
    Optional<SingleFault> fault() {
        double test = 0;
        double size = 0;
        int degrees = 0;
        for (int k = 0; k < axes.length; k++) {
            if (isShown(k)) {
                double estimate = explained(k) / shown[k];
                test += explained(k) * estimate;
                size = Math.hypot(size, estimate);
                degrees++;
            }
        }
        return degrees == 0
                ? Optional.empty()
                : Optional.of(new SingleFault(
                        what(),
                        size,
                        (degrees == 1 ? Math.sqrt(test) : Distributions.deviate(test))
                                / Observation.Fit.ONE_IN_A_THOUSAND));
    }

    /** The smallest size that its test would show, of a fault in one way only; empty where nothing would. */
    OptionalDouble detectable() {
        return isShown(0)
                ? OptionalDouble.of(Observation.DETECTABLE_FACTOR / Math.sqrt(shown[0]))
                : OptionalDouble.empty();
    }

    /**
     * The smallest size that its test would show four times in five whichever way it goes, by W. Baarda's 4.43 for two degrees of freedom;
     * empty where in some way nothing would.
     */
    OptionalDouble detectableAnyWay() {
        double least = Double.MAX_VALUE;
        for (int k = 0; k < axes.length; k++) {
            if (!isShown(k)) {
                return OptionalDouble.empty();
            }
            least = Math.min(least, shown[k]);
        }
        double factor = axes.length > 1 ? Observation.DETECTABLE_IN_PLANE : Observation.DETECTABLE_FACTOR;
        return OptionalDouble.of(factor / Math.sqrt(least));
    }

    /** How much alike this fault and another look in the residuals, both in one way only: the correlation of their tests. */
    double likeness(FaultTest other) {
        if (!isShown(0) || !other.isShown(0)) {
            return 0;
        }
        double joint = weight(hypothesis.ways().get(0), other.hypothesis.ways().get(0))
                - responses[0].takenUp(other.responses[0]);
        return Math.abs(joint) / Math.sqrt(shown[0] * other.shown[0]);
    }

    /** What the residuals say along an axis. */
    private double explained(int axis) {
        double sum = 0;
        for (int i = 0; i < axes.length; i++) {
            for (Map.Entry<Integer, Double> entry : hypothesis.ways().get(i).entrySet()) {
                double stdDev = adjustment.stdDev(entry.getKey());
                sum -= axes[axis][i] * entry.getValue() * adjustment.residual(entry.getKey()) / (stdDev * stdDev);
            }
        }
        return sum;
    }

    /**
     * How far it can have shifted any unknown at most, in that unknown's standard deviations: by the inequality of Cauchy and Schwarz the
     * shift {@code Q b} of an unknown is no more than the root of its variance times that of {@code bᵀ Q b}, the part of the fault that the
     * unknowns take up. Infinite where nothing would show some of it.
     */
    double reach() {
        double sum = 0;
        for (int k = 0; k < axes.length; k++) {
            if (!isShown(k)) {
                return Double.POSITIVE_INFINITY;
            }
            sum += Math.max(0, weights[k] - shown[k]) / shown[k];
        }
        return Observation.DETECTABLE_FACTOR * Math.sqrt(sum);
    }

    /**
     * The farthest it can have shifted some unknowns, where its test would let it pass: the longest arrow of an ellipse whose conjugate
     * half axes are the shifts along the axes. Empty where nothing would show it.
     */
    OptionalDouble shift(int[] unknowns) {
        double nn = 0;
        double ee = 0;
        double ne = 0;
        for (int k = 0; k < axes.length; k++) {
            double north = moved(k, unknowns[0]);
            double east = unknowns.length > 1 ? moved(k, unknowns[1]) : 0;
            if (isShown(k)) {
                double most = Observation.DETECTABLE_FACTOR / Math.sqrt(shown[k]);
                nn += most * most * north * north;
                ee += most * most * east * east;
                ne += most * most * north * east;
            } else if (weights[k] > 0 && Math.hypot(north, east) / Math.sqrt(weights[k]) > NO_SHIFT) {
                return OptionalDouble.empty();
            }
        }
        return OptionalDouble.of(Math.sqrt((nn + ee) / 2 + Math.hypot((nn - ee) / 2, ne)));
    }

    private double moved(int axis, int unknown) {
        double sum = 0;
        for (int i = 0; i < axes.length && unknown != NumberedPlace.HELD; i++) {
            sum += axes[axis][i] * responses[i].shift(unknown);
        }
        return sum;
    }
}
