package markturn.survey.result;

import java.util.OptionalDouble;

/**
 * A second look at a mark that had a position: observed minus known, metres.
 *
 * @param from name of the setup it was seen from
 * @param positionStdDev of the larger plan difference, from both precisions together
 */
public record Check(
        String mark,
        String from,
        OptionalDouble northingDifference,
        OptionalDouble eastingDifference,
        OptionalDouble elevationDifference,
        OptionalDouble positionStdDev,
        OptionalDouble elevationStdDev) {
    /** Length of the plan difference, metres. */
    public OptionalDouble plan() {
        return northingDifference.isPresent()
                ? OptionalDouble.of(Math.hypot(northingDifference.getAsDouble(), eastingDifference.getAsDouble()))
                : OptionalDouble.empty();
    }
}
