package markturn.survey.locate;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * What leads from the instrument to a point.
 *
 * @param turn from the first backsight clockwise, radians in [0, 2 pi); empty without orientation
 * @param circle what face left will show on the circle in use, radians; empty until its zero has been sighted
 * @param grid horizontal distance in the grid, metres
 * @param ground horizontal distance at the instrument's level, metres
 * @param azimuth radians in [0, 2 pi)
 * @param rise from the instrument's axis to the point, metres; empty without elevations
 */
public record SetOut(
        OptionalDouble turn, OptionalDouble circle, double grid, double ground, double azimuth, OptionalDouble rise) {
    /**
     * From a setup to a point.
     *
     * @param scale grid by ground
     * @return empty values where the setup lacks an orientation, its station a position
     */
    public static Optional<SetOut> from(MeasuredSetup setup, Position point, double scale) {
        if (setup.station().isEmpty()) {
            return Optional.empty();
        }
        Position station = setup.station().get();
        double azimuth = Angles.onCircle(station.azimuthTo(point));
        double grid = station.distanceTo(point);
        OptionalDouble turn = setup.orientation().isPresent()
                ? OptionalDouble.of(
                        Angles.onCircle(azimuth - setup.orientation().getAsDouble()))
                : OptionalDouble.empty();
        OptionalDouble zero = setup.booked().zeros().entrySet().stream()
                .max(Map.Entry.comparingByKey())
                .map(e -> OptionalDouble.of(e.getValue()))
                .orElse(OptionalDouble.empty());
        boolean levels = station.elevation().isPresent()
                && point.elevation().isPresent()
                && setup.instrumentHeight().isPresent();
        return Optional.of(new SetOut(
                turn,
                turn.isPresent() && zero.isPresent()
                        ? OptionalDouble.of(Angles.onCircle(zero.getAsDouble() + turn.getAsDouble()))
                        : OptionalDouble.empty(),
                grid,
                grid / scale,
                azimuth,
                levels
                        ? OptionalDouble.of(point.elevation().getAsDouble()
                                - station.elevation().getAsDouble()
                                - setup.instrumentHeight().getAsDouble())
                        : OptionalDouble.empty()));
    }

    /**
     * What was found in the field against what was wanted: how the pole has to move, seen from the instrument, grid metres.
     *
     * @param away farther from the instrument; negative: towards it
     * @param right to the right as seen from the instrument; negative: to the left
     * @param fill how much the ground has to rise; negative: cut; empty without elevations
     */
    public record Move(double away, double right, OptionalDouble fill) {
        /** From a place found to the place wanted, as seen from a station. */
        public static Move of(Position station, Position found, Position wanted) {
            double azimuth = station.azimuthTo(found);
            double north = wanted.northing() - found.northing();
            double east = wanted.easting() - found.easting();
            boolean levels = found.elevation().isPresent() && wanted.elevation().isPresent();
            return new Move(
                    north * Math.cos(azimuth) + east * Math.sin(azimuth),
                    -north * Math.sin(azimuth) + east * Math.cos(azimuth),
                    levels
                            ? OptionalDouble.of(wanted.elevation().getAsDouble()
                                    - found.elevation().getAsDouble())
                            : OptionalDouble.empty());
        }
    }

    /**
     * A place along a line.
     *
     * @param station how far along from its first point, grid metres; negative before it
     * @param offset to the right of the line, grid metres; negative to the left
     * @param above the straight slope of the line, metres; empty without elevations
     */
    public record OnLine(double station, double offset, OptionalDouble above) {
        /** A place against the line from one point to another, which must lie apart. */
        public static OnLine of(Position from, Position to, Position place) {
            double length = from.distanceTo(to);
            double azimuth = from.azimuthTo(to);
            double north = place.northing() - from.northing();
            double east = place.easting() - from.easting();
            double along = north * Math.cos(azimuth) + east * Math.sin(azimuth);
            boolean levels = from.elevation().isPresent()
                    && to.elevation().isPresent()
                    && place.elevation().isPresent();
            return new OnLine(
                    along,
                    -north * Math.sin(azimuth) + east * Math.cos(azimuth),
                    levels
                            ? OptionalDouble.of(place.elevation().getAsDouble()
                                    - from.elevation().getAsDouble()
                                    - along
                                            / length
                                            * (to.elevation().getAsDouble()
                                                    - from.elevation().getAsDouble()))
                            : OptionalDouble.empty());
        }

        /** The place at a station and an offset of a line; its elevation lies on the straight slope. */
        public static Position place(Position from, Position to, double station, double offset) {
            double azimuth = from.azimuthTo(to);
            double share = station / from.distanceTo(to);
            boolean levels = from.elevation().isPresent() && to.elevation().isPresent();
            return new Position(
                    from.northing() + station * Math.cos(azimuth) - offset * Math.sin(azimuth),
                    from.easting() + station * Math.sin(azimuth) + offset * Math.cos(azimuth),
                    levels
                            ? OptionalDouble.of(from.elevation().getAsDouble() * (1 - share)
                                    + to.elevation().getAsDouble() * share)
                            : OptionalDouble.empty(),
                    from.plan(),
                    from.elevationVariance());
        }
    }
}
