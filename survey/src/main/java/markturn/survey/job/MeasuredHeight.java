package markturn.survey.job;

import java.util.OptionalDouble;

/**
 * A height of instrument or reflector as it was measured.
 *
 * @param value metres; taped on the slope where {@code to} is the notch
 * @param again the same, taped a second time; the mean of both is used
 */
public record MeasuredHeight(double value, To to, OptionalDouble again) {
    /** Where the tape ended. */
    public enum To {
        AXIS,
        NOTCH
    }

    /** A height taped once. */
    public MeasuredHeight(double value, To to) {
        this(value, to, OptionalDouble.empty());
    }

    /** A vertical height to the axis, taped once, metres. */
    public static MeasuredHeight toAxis(double metres) {
        return new MeasuredHeight(metres, To.AXIS);
    }

    /** What is used: the mean where it was taped twice, metres. */
    public double taped() {
        return again.isPresent() ? (value + again.getAsDouble()) / 2 : value;
    }

    /** Second minus first, metres; empty where it was taped once. */
    public OptionalDouble difference() {
        return again.isPresent() ? OptionalDouble.of(again.getAsDouble() - value) : again;
    }
}
