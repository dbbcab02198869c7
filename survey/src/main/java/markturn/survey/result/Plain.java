package markturn.survey.result;

import java.util.OptionalDouble;

/** A value that may be missing as a plain number, and back: not a number stands for a missing one. */
final class Plain {
    private Plain() {}

    static double of(OptionalDouble value) {
        return value.orElse(Double.NaN);
    }

    static OptionalDouble read(double plain) {
        return Double.isNaN(plain) ? OptionalDouble.empty() : OptionalDouble.of(plain);
    }
}
