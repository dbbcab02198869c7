package markturn.survey.job;

/**
 * A height of instrument or reflector as it was measured.
 *
 * @param value metres; taped on the slope where {@code to} is the notch
 */
public record MeasuredHeight(double value, To to) {
    /** Where the tape ended. */
    public enum To {
        AXIS,
        NOTCH
    }

    /** A vertical height to the axis, metres. */
    public static MeasuredHeight toAxis(double metres) {
        return new MeasuredHeight(metres, To.AXIS);
    }
}
