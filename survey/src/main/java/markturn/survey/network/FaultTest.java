package markturn.survey.network;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.RightSides;
import markturn.survey.adjust.Shares;
import markturn.survey.chance.Distributions;
import markturn.survey.result.Observation;
import markturn.survey.result.SingleFault;
import markturn.survey.result.SingleFault.What;

/** One fault in an adjustment, along the one or two directions in which its ways are independent of each other. */
final class FaultTest {
    /** A share of a fault that shows in no residual, by its weight: below this only thousands of deviations would, or rounding. */
    private static final double SHOWN = 1e-6;

    /** A weight below this share of another is rounding. */
    private static final double NOTHING = 1e-12;

    /** A shift by a fault of one standard deviation below this is none, metres. */
    private static final double NO_SHIFT = 1e-6;

    /** So many hypotheses are tried in one go. */
    private static final int TOGETHER = 48;

    private final Hypothesis hypothesis;
    private final Adjustment adjustment;
    private final RightSides sides;
    /** Null where only the test was asked for. */
    private final Adjustment.Responses responses;

    private final double[] weights;
    private final double[][] axes;
    private final double[] shown;

    /** A test that can be asked for shifts and likeness as well. */
    FaultTest(Adjustment adjustment, Hypothesis hypothesis) {
        this(adjustment, hypothesis, adjustment.rightSides(hypothesis.ways()));
    }

    private FaultTest(Adjustment adjustment, Hypothesis hypothesis, RightSides sides) {
        this(adjustment, hypothesis, sides, adjustment.responses(List.of(sides)).get(0));
    }

    private FaultTest(Adjustment adjustment, Hypothesis hypothesis, RightSides sides, Adjustment.Responses responses) {
        this(adjustment, hypothesis, sides, responses, responses.takenUp(responses));
    }

    private FaultTest(
            Adjustment adjustment,
            Hypothesis hypothesis,
            RightSides sides,
            Adjustment.Responses responses,
            double[][] takenUp) {
        this.hypothesis = hypothesis;
        this.adjustment = adjustment;
        this.sides = sides;
        this.responses = responses;
        int ways = hypothesis.ways().size();
        double[][] matrix = new double[2][2];
        double[][] weight = new double[2][2];
        for (int i = 0; i < ways; i++) {
            for (int j = 0; j < ways; j++) {
                weight[i][j] =
                        weight(hypothesis.ways().get(i), hypothesis.ways().get(j));
                matrix[i][j] = weight[i][j] - takenUp[i][j];
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

    /** The test alone. */
    static FaultTest test(Adjustment adjustment, Hypothesis hypothesis) {
        return near(adjustment, hypothesis).orElseGet(() -> new FaultTest(adjustment, hypothesis));
    }

    /** The test alone, of a fault that stands near together; empty of one that does not, which costs a solution of its own. */
    static Optional<FaultTest> near(Adjustment adjustment, Hypothesis hypothesis) {
        RightSides sides = adjustment.rightSides(hypothesis.ways());
        return adjustment.isNear(sides)
                ? Optional.of(new FaultTest(adjustment, hypothesis, sides, null, adjustment.takenUp(sides)))
                : Optional.empty();
    }

    /**
     * Tries many, with all that each does.
     *
     * @param taken is handed each trial in order; none of them is kept
     */
    static void each(Adjustment adjustment, List<Hypothesis> hypotheses, Consumer<FaultTest> taken) {
        for (int from = 0; from < hypotheses.size(); from += TOGETHER) {
            List<Hypothesis> some = hypotheses.subList(from, Math.min(from + TOGETHER, hypotheses.size()));
            List<RightSides> sides =
                    some.stream().map(h -> adjustment.rightSides(h.ways())).toList();
            List<Adjustment.Responses> responses = adjustment.responses(sides);
            for (int i = 0; i < some.size(); i++) {
                taken.accept(new FaultTest(adjustment, some.get(i), sides.get(i), responses.get(i)));
            }
        }
    }

    private double weight(Shares one, Shares other) {
        return one.product(other, this::weight);
    }

    private double weight(int observation) {
        double stdDev = adjustment.stdDev(observation);
        return 1 / (stdDev * stdDev);
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
                - responses.takenUp(other.responses)[0][0];
        return Math.abs(joint) / Math.sqrt(shown[0] * other.shown[0]);
    }

    /** What the residuals say along an axis. */
    private double explained(int axis) {
        double sum = 0;
        for (int i = 0; i < axes.length; i++) {
            Shares way = hypothesis.ways().get(i);
            for (int k = 0; k < way.count(); k++) {
                int observation = way.observation(k);
                sum -= axes[axis][i] * way.share(k) * adjustment.residual(observation) * weight(observation);
            }
        }
        return sum;
    }

    /** Whether every way of it shows somewhere, so that it cannot be of any size. */
    boolean isBounded() {
        for (int k = 0; k < axes.length; k++) {
            if (!isShown(k) && !isNone(k)) {
                return false;
            }
        }
        return true;
    }

    /** Whether along an axis no observation takes any of it: a target seen by direction alone, moved along the ray. */
    private boolean isNone(int axis) {
        double most = 0;
        for (double weight : weights) {
            most = Math.max(most, weight);
        }
        return weights[axis] <= NOTHING * most;
    }

    /**
     * Two observations of which every joint error is this fault in some way: then each one's error by itself, as large as its own test lets
     * pass, is no larger than this fault's test lets pass, and moves no mark farther. Empty where that is not so.
     */
    Set<Integer> covered() {
        Shares way = hypothesis.ways().get(0);
        return axes.length == 2 && way.count() == 2 && isShown(0) && isShown(1) && !isNone(0) && !isNone(1)
                ? Set.of(way.observation(0), way.observation(1))
                : Set.of();
    }

    /** Its right sides along its axes, each as large as its test would let pass; of one that {@link #isBounded}. */
    RightSides atItsLimit() {
        double[][] values = new double[axes.length][sides.unknowns().length];
        for (int k = 0; k < axes.length; k++) {
            double most = isNone(k) ? 0 : Observation.DETECTABLE_FACTOR / Math.sqrt(shown[k]);
            for (int i = 0; i < axes.length; i++) {
                for (int j = 0; j < values[k].length; j++) {
                    values[k][j] += most * axes[k][i] * sides.values()[i][j];
                }
            }
        }
        return new RightSides(sides.unknowns(), values);
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
            sum += axes[axis][i] * responses.shift(i, unknown);
        }
        return sum;
    }
}
