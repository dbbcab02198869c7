package markturn.survey.instrument;

import java.util.OptionalDouble;
import markturn.survey.chance.Distributions;

/**
 * Squared residuals of one kind with their degrees of freedom; those of several setups add up.
 *
 * @param squares radians or metres, squared
 * @param degrees of freedom
 */
public record Pooled(double squares, int degrees) {
    public static final Pooled NONE = new Pooled(0, 0);

    private static final double TAIL = 0.025;

    /** Both together. */
    public Pooled plus(Pooled other) {
        return new Pooled(squares + other.squares, degrees + other.degrees);
    }

    /** {@code s = √(Σr²/ν)}; empty without a degree of freedom. */
    public OptionalDouble stdDev() {
        return degrees < 1 ? OptionalDouble.empty() : OptionalDouble.of(Math.sqrt(squares / degrees));
    }

    /** The lower end of the 95 % interval of the standard deviation, by chi-square; at least one degree of freedom. */
    public double least() {
        return Math.sqrt(squares / Distributions.chiSquare(degrees, TAIL));
    }

    /** The upper end of it. */
    public double most() {
        return Math.sqrt(squares / Distributions.chiSquare(degrees, 1 - TAIL));
    }
}
