package markturn.survey.locate;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/**
 * Polar coordinates from one setup, with their precision: station, orientation, direction and distance propagated to first order, and for
 * elevations also heights and refraction. Offsets are lengths on the ground.
 *
 * @param orientation azimuth of reduced direction zero; empty: nothing can be carried
 */
public record PolarShots(
        Job job,
        Weights weights,
        Optional<Position> station,
        OptionalDouble orientation,
        OptionalDouble orientationVariance,
        Joint joint) {
    /**
     * How station and orientation vary together, as they do where one adjustment gave both.
     *
     * @param northing covariance of northing and orientation, metre radians
     * @param easting covariance of easting and orientation, metre radians
     * @param axis variance of the axis' elevation where that is what was fixed: what is carried then does not feel the height of the
     *     instrument at all, square metres
     */
    public record Joint(double northing, double easting, OptionalDouble axis) {
        /** They vary independently, and the height was taped up from the mark. */
        public static final Joint NONE = new Joint(0, 0, OptionalDouble.empty());
    }

    /** What one fix gives. */
    public Shot shot(ReducedFix reduced) {
        Reading.Offset offset = reduced.fix().offset().orElse(new Reading.Offset(0, 0, 0));
        OptionalDouble rise = reduced.elevationDifference().isPresent()
                ? OptionalDouble.of(reduced.elevationDifference().getAsDouble() + offset.up())
                : OptionalDouble.empty();
        OptionalDouble direction = reduced.directions().mean();
        boolean placed = station.isPresent()
                && orientation.isPresent()
                && direction.isPresent()
                && reduced.horizontal().isPresent();
        return new Shot(
                reduced.fix(),
                job.trueName(reduced.fix().target()),
                direction,
                reduced.horizontal(),
                rise,
                placed ? Optional.of(position(reduced, offset, rise)) : Optional.empty());
    }

    private Position position(ReducedFix reduced, Reading.Offset offset, OptionalDouble rise) {
        Position from = station.orElseThrow();
        double azimuth = orientation.getAsDouble() + reduced.directions().mean().getAsDouble();
        double distance = reduced.horizontal().getAsDouble();
        double scale = job.earth().scaleFactor();
        double along = distance + offset.along() * scale;
        double across = offset.across() * scale;
        double cos = Math.cos(azimuth);
        double sin = Math.sin(azimuth);
        double north = along * cos - across * sin;
        double east = along * sin + across * cos;
        Reflector reflector =
                job.sighted(reduced.fix().pointings().readings().get(0).reading());
        double turn = weights.direction(reduced.directions().count(), reflector, distance)
                + orientationVariance.getAsDouble();
        double length = weights.distance(reduced.distanceCount(), reflector, distance);
        Covariance carried = new Covariance(
                turn * east * east + length * cos * cos - 2 * east * joint.northing(),
                turn * north * north + length * sin * sin + 2 * north * joint.easting(),
                -turn * north * east + length * cos * sin + north * joint.northing() - east * joint.easting());
        boolean levels = from.elevation().isPresent() && rise.isPresent();
        return new Position(
                from.northing() + north,
                from.easting() + east,
                levels
                        ? OptionalDouble.of(from.elevation().getAsDouble() + rise.getAsDouble())
                        : OptionalDouble.empty(),
                from.plan().plus(carried),
                levels
                        ? OptionalDouble.of(elevationVariance(from, reduced, reflector, distance))
                        : OptionalDouble.empty());
    }

    private double elevationVariance(Position from, ReducedFix reduced, Reflector reflector, double distance) {
        double instrumentHeight = weights.instrument().heightStdDev();
        double ofAxis = joint.axis().orElse(from.elevationVariance().orElse(0) + instrumentHeight * instrumentHeight);
        return ofAxis
                + weights.heightDifference(
                        reduced.zenithCount(),
                        reduced.distanceCount(),
                        reflector,
                        distance,
                        reduced.zenith().getAsDouble());
    }
}
