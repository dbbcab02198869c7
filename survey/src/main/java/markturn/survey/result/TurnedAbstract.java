package markturn.survey.result;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.reduce.PolarFix;

/** The abstract of a target turned in sets. */
public record TurnedAbstract(
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
        OptionalDouble elevationDifference)
        implements SetAbstract {}
