package markturn.survey.locate;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/**
 * Polar coordinates from one setup, with their precision: every source of error once, propagated to first order, what the setup and other
 * sights of the target share with it included. Offsets are lengths on the ground.
 *
 * @param orientation azimuth of reduced direction zero; empty: nothing can be carried
 * @param pose what the errors of station, orientation and axis are made of; there with the orientation
 */
public record PolarShots(
        Job job,
        Weights weights,
        Optional<Position> station,
        OptionalDouble orientation,
        Optional<Pose> pose,
        Propagation propagation) {
    /** What one fix gives. */
    public Shot shot(ReducedFix reduced) {
        Reading.Offset offset = reduced.fix().offset().orElse(new Reading.Offset(0, 0, 0));
        OptionalDouble rise = raised(reduced.elevationDifference(), offset.up());
        OptionalDouble direction = reduced.directions().mean();
        boolean placed = station.isPresent()
                && orientation.isPresent()
                && pose.isPresent()
                && direction.isPresent()
                && reduced.horizontal().isPresent();
        return new Shot(
                reduced.fix(),
                job.trueName(reduced.fix().target()),
                direction,
                reduced.horizontal(),
                reduced.elevationDifference(),
                placed ? Optional.of(position(reduced, offset, rise)) : Optional.empty());
    }

    private static OptionalDouble raised(OptionalDouble difference, double up) {
        return difference.isEmpty() ? difference : OptionalDouble.of(difference.getAsDouble() + up);
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
        boolean levels = from.elevation().isPresent() && rise.isPresent();
        double zenith = reduced.zenith().getAsDouble();
        ShotLineages lineages = new ShotLineages(
                pose.orElseThrow(),
                reduced.fix(),
                job.trueName(reduced.fix().target()),
                reflector,
                north,
                east,
                azimuth,
                weights.pointing(reduced.directions().count()),
                weights.horizontal(
                        reduced.zenithCount(),
                        reduced.distanceCount(),
                        distance,
                        reduced.slope().getAsDouble(),
                        zenith),
                weights.rise(reduced.zenithCount(), reduced.distanceCount(), distance, zenith),
                levels);
        return new Position(
                from.northing() + north,
                from.easting() + east,
                levels
                        ? OptionalDouble.of(from.elevation().getAsDouble() + rise.getAsDouble())
                        : OptionalDouble.empty(),
                Covariance.of(propagation.variance(lineages.plan().orElseThrow())),
                lineages.level()
                        .map(level -> OptionalDouble.of(propagation.variance(level)[0]))
                        .orElse(OptionalDouble.empty()),
                lineages);
    }
}
