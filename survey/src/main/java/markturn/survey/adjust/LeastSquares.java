package markturn.survey.adjust;

import java.util.List;
import java.util.function.Supplier;

/**
 * Gauss-Newton: linearised least squares, repeated until nothing moves. Textbook. Coordinates are best counted from a place nearby: of a
 * number in the millions a double keeps no more than a nanometre.
 */
public final class LeastSquares {
    private static final int MOST_STEPS = 200;
    /** A step smaller than this, metres, radians or as a factor, is none. */
    private static final double STILL = 1e-8;
    /** Steps smaller than this are taken whole: there rounding decides whether squares fall. */
    private static final double NEAR = 1e-4;

    /** Statistics from so near to the final point are those of it, metres, radians or as a factor. */
    private static final double SAME_POINT = 1e-6;

    private static final int MOST_HALVINGS = 20;

    private LeastSquares() {}

    /**
     * Adjusts.
     *
     * @param start a value for each unknown, near enough
     * @param equations makes empty normal equations for each step
     * @throws RankDefect where some combination of unknowns is not determined
     * @throws NotConverging where the start was too far off, or the observations contradict each other grossly
     */
    public static Adjustment adjust(
            List<? extends Observed> observations, double[] start, Supplier<NormalEquations> equations)
            throws RankDefect, NotConverging {
        double[] unknowns = start.clone();
        double before = Double.MAX_VALUE;
        for (int step = 0; step < MOST_STEPS; step++) {
            NormalEquations normal = equations.get();
            fill(observations, unknowns, normal);
            double[] correction = normal.solve();
            double largest = 0;
            for (int i = 0; i < unknowns.length; i++) {
                largest = Math.max(largest, Math.abs(correction[i]));
            }
            if (!Double.isFinite(largest)) {
                break;
            }
            double[] here = unknowns;
            unknowns = stepped(observations, unknowns, correction, largest < NEAR);
            if (largest < STILL || largest < NEAR && next(before, largest) < STILL) {
                return largest < SAME_POINT
                        ? new Adjustment(observations, unknowns, here, normal)
                        : anew(observations, unknowns, equations);
            }
            before = largest;
        }
        throw new NotConverging();
    }

    /** The equations once more, from the final point: statistics of another point would not be these observations'. */
    private static Adjustment anew(
            List<? extends Observed> observations, double[] unknowns, Supplier<NormalEquations> equations)
            throws RankDefect {
        NormalEquations normal = equations.get();
        fill(observations, unknowns, normal);
        normal.solve();
        return new Adjustment(observations, unknowns, unknowns, normal);
    }

    /** What the next step would move: steps near the end shrink at least in proportion. */
    private static double next(double before, double last) {
        return last * last / before;
    }

    /** A whole step, or where that makes things worse, half of it, and again: gross contradictions must not throw it off. */
    private static double[] stepped(
            List<? extends Observed> observations, double[] unknowns, double[] correction, boolean near) {
        double before = near ? Double.MAX_VALUE : squares(observations, unknowns);
        double share = 1;
        for (int halving = 0; ; halving++) {
            double[] tried = unknowns.clone();
            for (int i = 0; i < tried.length; i++) {
                tried[i] += share * correction[i];
            }
            if (near || halving == MOST_HALVINGS || squares(observations, tried) <= before) {
                return tried;
            }
            share /= 2;
        }
    }

    private static double squares(List<? extends Observed> observations, double[] unknowns) {
        double sum = 0;
        for (Observed observed : observations) {
            double v = observed.misclosure(unknowns) / observed.stdDev();
            sum += v * v;
        }
        return sum;
    }

    private static void fill(List<? extends Observed> observations, double[] unknowns, NormalEquations normal) {
        RowOfPartials row = new RowOfPartials();
        for (Observed observed : observations) {
            row.of(observed, unknowns);
            double weight = 1 / (observed.stdDev() * observed.stdDev());
            normal.add(row.unknowns(), row.partials(), row.count(), weight, observed.misclosure(unknowns));
        }
    }
}
