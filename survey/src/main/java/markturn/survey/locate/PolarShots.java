package markturn.survey.locate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.propagate.Lineage;
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
        OptionalDouble rise = reduced.elevationDifference().isPresent()
                ? OptionalDouble.of(reduced.elevationDifference().getAsDouble() + offset.up())
                : OptionalDouble.empty();
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
        Lineage plan = plan(reduced, reflector, new double[] {north, east}, azimuth);
        boolean levels = from.elevation().isPresent() && rise.isPresent();
        Optional<Lineage> level = levels ? Optional.of(level(reduced, reflector)) : Optional.empty();
        return new Position(
                from.northing() + north,
                from.easting() + east,
                levels
                        ? OptionalDouble.of(from.elevation().getAsDouble() + rise.getAsDouble())
                        : OptionalDouble.empty(),
                Covariance.of(propagation.variance(plan)),
                level.map(l -> OptionalDouble.of(propagation.variance(l)[0])).orElse(OptionalDouble.empty()),
                new Position.Lineages(Optional.of(plan), level));
    }

    private String key(ReducedFix reduced, String what) {
        return pose.orElseThrow().setup() + " " + reduced.fix().firstPlace() + " "
                + reduced.fix().target() + " " + what;
    }

    /** Carried by the instrument's place and orientation; its own: pointing across the line, ranging along it, the target's centring. */
    private Lineage plan(ReducedFix reduced, Reflector reflector, double[] to, double azimuth) {
        Pose from = pose.orElseThrow();
        String mark = job.trueName(reduced.fix().target());
        double turn = weights.pointing(reduced.directions().count());
        double length = weights.horizontal(
                reduced.zenithCount(),
                reduced.distanceCount(),
                reduced.horizontal().getAsDouble(),
                reduced.slope().getAsDouble(),
                reduced.zenith().getAsDouble());
        double cos = Math.cos(azimuth);
        double sin = Math.sin(azimuth);
        double centring = reflector.centringStdDev();
        boolean shared = from.targets().isShared(mark);
        double aside = shared ? 0 : centring * centring;
        double across = -turn * to[0] * to[1] + length * cos * sin;
        double[] own = {
            turn * to[1] * to[1] + length * cos * cos + aside,
            across,
            across,
            turn * to[0] * to[0] + length * sin * sin + aside
        };
        List<Lineage.Part> parts = new ArrayList<>();
        parts.add(new Lineage.Part(from.plan(), new double[] {1, 0, -to[1], 0, 1, to[0]}));
        if (shared) {
            parts.add(new Lineage.Part(from.targets().centring(mark), new double[] {centring, 0, 0, centring}));
        }
        return Lineage.of(key(reduced, "plan"), 2, parts, own);
    }

    private Lineage level(ReducedFix reduced, Reflector reflector) {
        Pose from = pose.orElseThrow();
        String mark = job.trueName(reduced.fix().target());
        double own = weights.rise(
                reduced.zenithCount(),
                reduced.distanceCount(),
                reduced.horizontal().getAsDouble(),
                reduced.zenith().getAsDouble());
        double height = reflector.heightStdDev();
        List<Lineage.Part> parts = new ArrayList<>();
        parts.add(new Lineage.Part(from.axis(), new double[] {1}));
        if (from.targets().isShared(mark)) {
            parts.add(new Lineage.Part(from.targets().height(mark), new double[] {-height}));
        } else {
            own += height * height;
        }
        return Lineage.of(key(reduced, "level"), 1, parts, new double[] {own});
    }
}
