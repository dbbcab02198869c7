package markturn.survey.chance;

import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.special.Erf;

/**
 * The normal and the chi-square distribution, to ten digits. The functions are those of a general-purpose library; a quantile is a start
 * polished by Newton's steps on the tail itself, so that it holds where the tail is too thin for one less it.
 */
public final class Distributions {
    private static final double ROOT_OF_TWO = Math.sqrt(2);
    private static final int MOST_STEPS = 60;
    private static final double STILL = 1e-14;

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
        return Erf.erfc(deviate / ROOT_OF_TWO);
    }

    /**
     * What chi-square exceeds with a probability.
     *
     * @param degrees of freedom, at least 1
     * @param probability above 0, below 1
     */
    public static double chiSquare(int degrees, double probability) {
        ChiSquaredDistribution distribution = new ChiSquaredDistribution(degrees);
        double value = distribution.inverseCumulativeProbability(1 - probability);
        for (int i = 0; i < MOST_STEPS; i++) {
            double step = (distribution.cumulativeProbability(value) - (1 - probability)) / distribution.density(value);
            value -= step;
            if (Math.abs(step) <= STILL * value) {
                break;
            }
        }
        return value;
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
