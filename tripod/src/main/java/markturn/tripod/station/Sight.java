package markturn.tripod.station;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;

/**
 * One sight: at what, why, how, and what stands there.
 *
 * @param set its number from 1; 0 outside the sets
 * @param height of the target over its mark; empty where none is known
 * @param centringStdDev metres; empty where the usual holds
 */
public record Sight(
        String target,
        Reading.Role role,
        int set,
        Reading.Face face,
        String reflector,
        Optional<MeasuredHeight> height,
        OptionalDouble centringStdDev) {}
