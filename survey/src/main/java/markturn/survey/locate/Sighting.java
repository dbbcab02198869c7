package markturn.survey.locate;

import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/**
 * One sight from an oriented setup that does not place its mark by itself: a direction without a distance, or a distance without a direction.
 *
 * @param weights of its setup
 * @param reflector that stood at the mark
 */
record Sighting(MeasuredSetup setup, Shot shot, Weights weights, Reflector reflector) {
    static Sighting of(Job job, MeasuredSetup setup, Shot shot) {
        return new Sighting(
                setup,
                shot,
                Weights.of(job, setup.setup()),
                job.sighted(shot.fix().pointings().readings().get(0).reading()));
    }

    Position from() {
        return setup.station().orElseThrow();
    }

    boolean isDirection() {
        return shot.direction().isPresent();
    }

    /** Azimuth of the line, radians; only of a direction. */
    double azimuth() {
        return setup.orientation().orElseThrow() + shot.direction().getAsDouble();
    }

    /** Grid distance, metres; only of a distance. */
    double distance() {
        return shot.horizontal().getAsDouble();
    }

    private double directionCount() {
        return shot.fix().pointings().means().reducedTo(setup.booked().zeros()).count();
    }

    /** One sigma as the practice (6) weighs it, to a mark at that distance: radians or metres. */
    double stdDev(double length) {
        return Math.sqrt(
                isDirection()
                        ? weights.direction(directionCount(), reflector, length)
                        : weights.distance(shot.fix().pointings().means().distanceCount(), reflector, length));
    }

    /** Variance of the reading itself, without the centring of either end. */
    double ownVariance(double length) {
        return isDirection()
                ? weights.pointing(directionCount())
                : weights.ranging(shot.fix().pointings().means().distanceCount(), length);
    }

    OptionalDouble zenith() {
        return shot.fix().pointings().means().zenith();
    }
}
