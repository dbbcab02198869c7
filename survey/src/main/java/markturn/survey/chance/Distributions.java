package markturn.survey.chance;

/**
 * The normal and the chi-square distribution, to ten digits: tails of the incomplete gamma function. A quantile is a start polished by
 * Newton's steps on the tail itself, so that it holds where the tail is too thin for one less it.
 */
public final class Distributions {
    private static final int MOST_STEPS = 60;
    private static final double STILL = 1e-14;
    private static final int MOST_TERMS = 2000;

    /** Below this a tail is no number any more. */
    private static final double LARGEST_CHI_SQUARE = 1400;

    private Distributions() {}

    /**
     * The normal deviate that is exceeded, in size, with a probability: both ends.
     *
     * @param probability above 0, at most 1
     */
    public static double twoSided(double probability) {
        // Newton on the logarithm of the tail, which is nearly a parabola; its start is the tail's leading term.
        double z = probability > 0.5 ? 1 - probability : Math.sqrt(-2 * Math.log(probability));
        for (int i = 0; i < MOST_STEPS; i++) {
            double tail = beyond(z);
            double density = Math.sqrt(2 / Math.PI) * Math.exp(-z * z / 2);
            double step = Math.log(tail / probability) * tail / density;
            z = Math.max(0, z + step);
            if (Math.abs(step) <= STILL * (1 + z)) {
                break;
            }
        }
        return z;
    }

    /**
     * The probability that a normal deviate is larger in size: both ends.
     *
     * @param deviate at least 0
     */
    public static double beyond(double deviate) {
        return IncompleteGamma.above(0.5, deviate * deviate / 2);
    }

    /**
     * What chi-square exceeds with a probability.
     *
     * @param degrees of freedom, at least 1
     * @param probability above 0, below 1
     */
    public static double chiSquare(int degrees, double probability) {
        double half = degrees / 2.0;
        double value = start(degrees, probability);
        for (int i = 0; i < MOST_STEPS; i++) {
            double tail = IncompleteGamma.above(half, value / 2);
            double density = IncompleteGamma.front(half, value / 2) * half / value;
            double step = Math.log(tail / probability) * tail / density;
            // Never below nothing: where a step overshoots, half of what is there.
            double next = Math.max(value / 2, value + step);
            boolean still = Math.abs(next - value) <= STILL * value;
            value = next;
            if (still) {
                break;
            }
        }
        return value;
    }

    /** After Wilson and Hilferty: the cube root is nearly normal. */
    private static double start(int degrees, double probability) {
        double deviate = probability < 0.5 ? twoSided(2 * probability) : -twoSided(2 * (1 - probability));
        double ninth = 2.0 / (9 * degrees);
        double root = Math.max(0.1, 1 - ninth + deviate * Math.sqrt(ninth));
        return degrees * root * root * root;
    }

    /**
     * How large a fault has to be to be found: the noncentrality at which chi-square exceeds its limit with a probability.
     *
     * @param degrees of freedom, at least 1
     * @param alarm the probability with which chance alone exceeds the limit
     * @param power the probability with which the fault is to exceed it, above {@code alarm}
     */
    public static double noncentrality(int degrees, double alarm, double power) {
        double limit = chiSquare(degrees, alarm);
        double low = 0;
        double high = 1;
        while (beyond(degrees, high, limit) < power) {
            low = high;
            high *= 2;
        }
        while (high - low > STILL * high + STILL) {
            double middle = (low + high) / 2;
            if (middle == low || middle == high) {
                break;
            }
            if (beyond(degrees, middle, limit) < power) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    /** The tail of the noncentral chi-square distribution: Poisson's weights times central tails (NIST handbook, from memory). */
    private static double beyond(int degrees, double noncentrality, double limit) {
        double half = noncentrality / 2;
        double weight = Math.exp(-half);
        double left = 1 - weight;
        double sum = weight * IncompleteGamma.above(degrees / 2.0, limit / 2);
        for (int k = 1; left > STILL && k < MOST_TERMS; k++) {
            weight *= half / k;
            left -= weight;
            sum += weight * IncompleteGamma.above(degrees / 2.0 + k, limit / 2);
        }
        return sum;
    }

    /**
     * The normal deviate, both ends, that chance exceeds as seldom as chi-square with two degrees of freedom exceeds a value, so that faults
     * in one way and in two can be ranked. The tail of the one is exp(−t/2); where that is no number any more, by its leading term.
     */
    public static double deviate(double chiSquareOfTwo) {
        return chiSquareOfTwo < LARGEST_CHI_SQUARE
                ? twoSided(Math.exp(-chiSquareOfTwo / 2))
                : Math.sqrt(chiSquareOfTwo);
    }
}
