package markturn.survey.job;

import java.util.OptionalDouble;

/**
 * A value that may be missing as a plain number, and back: not a number stands for a missing one. For what a job has thousands of, where an
 * object for each value would weigh three times as much.
 */
public final class Plain {
    private Plain() {}

    public static double of(OptionalDouble value) {
        return value.orElse(Double.NaN);
    }

    public static OptionalDouble read(double plain) {
        return Double.isNaN(plain) ? OptionalDouble.empty() : OptionalDouble.of(plain);
    }
}
