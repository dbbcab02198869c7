package markturn.survey.plan;

import java.util.List;
import java.util.Optional;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.NumberedPlace;
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
    private static final NumberedPlace STATION = NumberedPlace.unknown(NORTH, EAST);

    /** Counted from the place itself. */
    private static final double[] HERE = new double[3];

    /** What is not fixed is anywhere within that, metres. */
    private static final double ANYWHERE = 1000;

    /** A station whose variances sum up to more is not fixed, square metres. */
    private static final double LOOSE = 100;

    private final Weights weights;
    private final int sets;
    private final Reflector reflector;

    StationWorth(Job job, String instrument, String reflector, int sets) {
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
        Information information = Information.loose(3, ANYWHERE);
        for (Position mark : seen) {
            double north = mark.northing() - place.northing();
            double east = mark.easting() - place.easting();
            double length = Math.max(Math.hypot(north, east), Weights.NEAREST);
            double azimuth = Math.atan2(east, north);
            NumberedPlace to = NumberedPlace.held(north, east);
            double across = mark.plan().along(azimuth + Math.PI / 2) / (length * length);
            double direction = Math.sqrt(weights.direction(sets, reflector, length) + across);
            double distance = Math.sqrt(
                    weights.distance(sets, reflector, length) + mark.plan().along(azimuth));
            information.observe(new Direction(STATION, to, ORIENTATION, 0, direction), HERE);
            information.observe(
                    new Distance(STATION, to, NumberedPlace.HELD, NumberedPlace.HELD, length, distance), HERE);
        }
        Covariance spread = information.covariances().place(NORTH);
        return spread.nn() + spread.ee() < LOOSE ? Optional.of(spread) : Optional.empty();
    }
}
