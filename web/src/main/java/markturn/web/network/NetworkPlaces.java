package markturn.web.network;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import markturn.survey.SurveyResult;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;

/**
 * Where the marks of a network lie: as it was adjusted, the others as they were measured or given.
 *
 * @param adjusted by true name
 */
record NetworkPlaces(SurveyResult result, MeasuredNetwork network, Map<String, Position> adjusted) {
    static NetworkPlaces of(SurveyResult result, MeasuredNetwork network) {
        Map<String, Position> adjusted = new TreeMap<>();
        network.marks().forEach(m -> adjusted.put(m.name(), m.position()));
        return new NetworkPlaces(result, network, adjusted);
    }

    /** Where a mark lies, by any of its names; empty where nobody knows. */
    Optional<Position> of(String called) {
        String name = result.job().trueName(called);
        return Optional.ofNullable(adjusted.get(name))
                .or(() -> result.measured().mark(name).flatMap(MeasuredMark::position));
    }

    /** Whether a mark is only detail. */
    static boolean isLocated(SurveyResult result, String name) {
        return result.job()
                .mark(name)
                .filter(m -> m.kind() == Mark.Kind.LOCATED)
                .isPresent();
    }

    boolean isLocated(String name) {
        return isLocated(result, name);
    }

    /** How far two marks lie from each other, metres; empty where one has no place. */
    OptionalDouble between(MeasuredNetwork.Relative pair) {
        return of(pair.one())
                .flatMap(one -> of(pair.other()).map(one::distanceTo))
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
    }
}
