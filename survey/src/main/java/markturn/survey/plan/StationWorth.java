package markturn.survey.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/**
 * What a free station at a place would be worth by itself: the same observations and weights as in the network, with three unknowns. Marks
 * that are to be found by others count with their own foreseen spread, as if it were theirs alone.
 */
final class StationWorth {
    private static final int NORTH = 0;
    private static final int EAST = 1;
    private static final int ORIENTATION = 2;

    private final Job job;
    private final Weights weights;
    private final int sets;
    private final Reflector reflector;

    StationWorth(Job job, String instrument, String reflector, int sets) {
        this.job = job;
        this.weights = new Weights(job.instrument(instrument), 0, job.earth());
        this.sets = sets;
        this.reflector = job.reflectors().stream()
                .filter(r -> r.name().equals(reflector))
                .findFirst()
                .orElse(Reflector.NONE);
    }

    /**
     * The spread of a station there.
     *
     * @param seen the marks that it sights
     * @return empty where these do not determine it
     */
    Optional<Covariance> at(Place place, List<Position> seen) {
        if (seen.size() < 2) {
            return Optional.empty();
        }
        NumberedPlace station = NumberedPlace.unknown(NORTH, EAST);
        List<Observed> observations = new ArrayList<>();
        for (Position mark : seen) {
            double north = mark.northing() - place.northing();
            double east = mark.easting() - place.easting();
            double length = Math.max(Math.hypot(north, east), Weights.NEAREST);
            double azimuth = Math.atan2(east, north);
            NumberedPlace to = NumberedPlace.held(north, east);
            double across = mark.plan().along(azimuth + Math.PI / 2) / (length * length);
            observations.add(new Direction(
                    station, to, ORIENTATION, azimuth, Math.sqrt(weights.direction(sets, reflector, length) + across)));
            observations.add(new Distance(
                    station,
                    to,
                    NumberedPlace.HELD,
                    NumberedPlace.HELD,
                    length,
                    Math.sqrt(weights.distance(sets, reflector, length)
                            + mark.plan().along(azimuth))));
        }
        try {
            var adjusted = LeastSquares.adjust(observations, new double[3], () -> new DenseNormalEquations(3));
            return Optional.of(new Covariance(
                    adjusted.covariance(NORTH, NORTH),
                    adjusted.covariance(EAST, EAST),
                    adjusted.covariance(NORTH, EAST)));
        } catch (RankDefect | NotConverging undetermined) {
            return Optional.empty();
        }
    }
}
