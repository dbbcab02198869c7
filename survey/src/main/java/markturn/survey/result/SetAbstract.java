package markturn.survey.result;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.reduce.PolarFix;

/**
 * One target of a setup over its sets. Lists run by set number from 1 to the setup's last; empty where a set has none.
 *
 * @param sets how many sets give its direction
 * @param count the same, single faces counted half
 * @param directions reduced direction of each set, radians
 * @param residuals mean minus set, radians; with three or more targets in every set less the set's mean shift
 * @param direction mean reduced direction, radians
 * @param collimation of each set's pair, radians
 * @param index of each set's pair, radians
 * @param distances corrected slope distance of each set, metres
 * @param zenith mean zenith angle, radians
 * @param slope mean corrected slope distance, metres
 * @param horizontal grid distance, metres
 * @param elevationDifference from mark to mark, metres
 */
public record SetAbstract(
        PolarFix fix,
        int sets,
        double count,
        OptionalDouble direction,
        List<OptionalDouble> directions,
        List<OptionalDouble> residuals,
        OptionalDouble stdDev,
        OptionalDouble stdDevMean,
        List<OptionalDouble> collimation,
        List<OptionalDouble> index,
        List<OptionalDouble> distances,
        OptionalDouble zenith,
        OptionalDouble slope,
        OptionalDouble horizontal,
        OptionalDouble elevationDifference) {
    public String target() {
        return fix.target();
    }
}
