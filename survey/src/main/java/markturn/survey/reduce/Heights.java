package markturn.survey.reduce;

import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** Measured heights brought to the axis, metres. */
public final class Heights {
    private Heights() {}

    /**
     * The vertical height of the instrument's axis over its mark; empty where none was measured. A free
     * station needs none: without it, its elevation is that of the axis.
     */
    public static OptionalDouble ofInstrument(Job job, Setup setup) {
        if (setup.instrumentHeight().isEmpty()) {
            return setup.isFree() ? OptionalDouble.of(0) : OptionalDouble.empty();
        }
        MeasuredHeight height = setup.instrumentHeight().get();
        return OptionalDouble.of(
                vertical(height, job.instrument(setup.instrument()).notch()));
    }

    /** The vertical height of what was sighted over its mark; empty where none was measured. */
    public static OptionalDouble ofTarget(Job job, Reading reading) {
        if (reading.targetHeight().isEmpty()) {
            return OptionalDouble.empty();
        }
        MeasuredHeight height = reading.targetHeight().get();
        return OptionalDouble.of(
                vertical(height, job.reflector(reading.reflector()).notch()));
    }

    /** A height to the axis; one to the notch needs the notch to be known, which whoever assembled the job has checked. */
    public static double vertical(MeasuredHeight height, java.util.Optional<Notch> notch) {
        return height.to() == MeasuredHeight.To.AXIS
                ? height.taped()
                : notch.orElseThrow().vertical(height.taped());
    }
}
