package markturn.survey.job;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is known of two marks from each other without the instrument: a taped or otherwise known distance, a height difference, an azimuth,
 * or several of these.
 *
 * @param one a mark of the job
 * @param other another mark of it
 * @param distance horizontal, on the ground, metres; empty where it is not known
 * @param stdDev of the distance, metres
 * @param rise from one to the other, metres; empty where it is not known
 * @param riseStdDev of the height difference, metres
 * @param how it was measured, in words
 * @param azimuth from one to the other, from grid north, such as by sun or gyroscope; empty where it is not known
 * @param azimuthStdDev radians
 */
public record ReferencePair(
        String one,
        String other,
        OptionalDouble distance,
        double stdDev,
        OptionalDouble rise,
        double riseStdDev,
        String how,
        Optional<Circle> azimuth,
        double azimuthStdDev) {
    /** Without an azimuth. */
    public ReferencePair(
            String one,
            String other,
            OptionalDouble distance,
            double stdDev,
            OptionalDouble rise,
            double riseStdDev,
            String how) {
        this(one, other, distance, stdDev, rise, riseStdDev, how, Optional.empty(), 0);
    }
}
