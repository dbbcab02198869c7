package markturn.survey.result;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.reduce.PolarFix;

/**
 * One target of a setup over its sets. Lists run by set number from 1 to the setup's last; empty where a set has none.
 */
public interface SetAbstract {
    PolarFix fix();

    /** How many sets give its direction. */
    int sets();

    /** The same, single faces counted half. */
    double count();

    /** Mean reduced direction, radians. */
    OptionalDouble direction();

    /** Reduced direction of each set, radians. */
    List<OptionalDouble> directions();

    /** Mean minus set, radians; with three or more targets in every set less the set's mean shift. */
    List<OptionalDouble> residuals();

    /** Of one set, radians; empty with less than two. */
    OptionalDouble stdDev();

    /** Of the mean, radians. */
    OptionalDouble stdDevMean();

    /** Of each set's pair, radians. */
    List<OptionalDouble> collimation();

    /** Of each set's pair, radians. */
    List<OptionalDouble> index();

    /** Corrected slope distance of each set, metres. */
    List<OptionalDouble> distances();

    /** Mean zenith angle, radians. */
    OptionalDouble zenith();

    /** Mean corrected slope distance, metres. */
    OptionalDouble slope();

    /** Grid distance, metres. */
    OptionalDouble horizontal();

    /** From mark to mark, metres. */
    OptionalDouble elevationDifference();

    default String target() {
        return fix().target();
    }
}
