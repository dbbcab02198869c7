package markturn.survey.instrument;

import java.time.Instant;
import java.util.List;
import java.util.function.ToDoubleFunction;
import markturn.survey.angle.Angles;
import markturn.survey.job.Instrument.Remembered;

/**
 * A setup at which the instrument's error lies beyond what the setups before it explain. Of these the one in the middle counts, so that one
 * that jumped itself makes no jump of the next, and a change that stays is said three times and then taken for what is.
 *
 * @param index whether it is the vertical index; else the collimation
 * @param before median of the setups before, radians
 * @param now mean of this one
 * @param limit what the difference may reach
 * @param lastGood when the last of those before was read
 */
public record Jump(boolean index, double before, double now, double limit, Instant lastGood) {
    /** So many setups before it are looked at. */
    public static final int BEFORE = 5;

    /** Fewer say nothing about what is usual. */
    private static final int FEWEST = 3;

    private static final double DEVIATIONS = 3.3;
    private static final double LEAST = 5 * Angles.SECOND;

    /**
     * The jumps of a setup against those before it.
     *
     * @param before in order of time; the last five count
     */
    public static List<Jump> of(List<Remembered> before, Remembered now) {
        List<Remembered> last = before.subList(Math.max(0, before.size() - BEFORE), before.size());
        if (last.size() < FEWEST) {
            return List.of();
        }
        double collimation = middle(last, Remembered::collimation);
        double index = middle(last, Remembered::index);
        double collimationVariance = now.collimationStdDev() * now.collimationStdDev()
                + varianceOfMiddle(last, Remembered::collimationStdDev);
        double indexVariance = now.indexStdDev() * now.indexStdDev() + varianceOfMiddle(last, Remembered::indexStdDev);
        int n = last.size();
        Instant lastGood = last.get(n - 1).at();
        Jump ofCollimation = new Jump(false, collimation, now.collimation(), limit(collimationVariance), lastGood);
        Jump ofIndex = new Jump(true, index, now.index(), limit(indexVariance), lastGood);
        return List.of(ofCollimation, ofIndex).stream().filter(Jump::isOne).toList();
    }

    private static double middle(List<Remembered> of, ToDoubleFunction<Remembered> what) {
        double[] values = of.stream().mapToDouble(what).sorted().toArray();
        int half = values.length / 2;
        return values.length % 2 == 1 ? values[half] : (values[half - 1] + values[half]) / 2;
    }

    /** A median scatters by π/2 more than a mean, in squares (textbook). */
    private static double varianceOfMiddle(List<Remembered> of, ToDoubleFunction<Remembered> stdDev) {
        double squares = 0;
        for (Remembered one : of) {
            squares += stdDev.applyAsDouble(one) * stdDev.applyAsDouble(one);
        }
        return Math.PI / 2 * squares / of.size() / of.size();
    }

    private static double limit(double variance) {
        return Math.max(LEAST, DEVIATIONS * Math.sqrt(variance));
    }

    private boolean isOne() {
        return Math.abs(now - before) > limit;
    }
}
