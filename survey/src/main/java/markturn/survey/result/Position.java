package markturn.survey.result;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.propagate.Lineage;

/**
 * Where a mark is and how well that is known.
 *
 * @param elevation metres; empty where unknown or in a job that is plan only
 * @param plan covariance of northing and easting
 * @param elevationVariance square metres; empty with the elevation
 * @param lineage what its errors are made of; nothing where it shares them with no other place
 */
public record Position(
        double northing,
        double easting,
        OptionalDouble elevation,
        Covariance plan,
        OptionalDouble elevationVariance,
        Lineages lineage) {
    /** What the plan (north and east) and the elevation of a place owe their errors to; nothing: to a source of their own. A value. */
    public interface Lineages {
        Lineages OWN = new MadeLineages(Optional.empty(), Optional.empty());

        Optional<Lineage> plan();

        Optional<Lineage> level();
    }

    /** Lineages as they were made. */
    public record MadeLineages(Optional<Lineage> plan, Optional<Lineage> level) implements Lineages {}

    /** One whose errors are its own. */
    public Position(
            double northing,
            double easting,
            OptionalDouble elevation,
            Covariance plan,
            OptionalDouble elevationVariance) {
        this(northing, easting, elevation, plan, elevationVariance, Lineages.OWN);
    }

    /** Held fixed. */
    public static Position held(Mark.Coordinates at) {
        return new Position(
                at.northing(),
                at.easting(),
                at.elevation(),
                Covariance.NONE,
                at.elevation().isPresent() ? OptionalDouble.of(0) : OptionalDouble.empty());
    }

    /** Known with those deviations, uncorrelated. */
    public static Position known(Mark.Coordinates at, Mark.Deviations stdDev) {
        return new Position(
                at.northing(),
                at.easting(),
                at.elevation(),
                new Covariance(stdDev.northing() * stdDev.northing(), stdDev.easting() * stdDev.easting(), 0),
                at.elevation().isPresent()
                        ? OptionalDouble.of(stdDev.elevation() * stdDev.elevation())
                        : OptionalDouble.empty());
    }

    /** The same without elevation. */
    public Position planOnly() {
        return new Position(northing, easting, OptionalDouble.empty(), plan, OptionalDouble.empty(), lineage);
    }

    /**
     * What the error of its plan is made of, north and east.
     *
     * @param mark true name of the mark that lies there
     */
    public Lineage planLineage(String mark) {
        return lineage.plan()
                .orElseGet(() -> plan.equals(Covariance.NONE)
                        ? Lineage.HELD
                        : Lineage.source(mark + " plan", 2, new double[] {plan.nn(), plan.ne(), plan.ne(), plan.ee()}));
    }

    /**
     * What the error of its elevation is made of.
     *
     * @param mark true name of the mark that lies there
     */
    public Lineage levelLineage(String mark) {
        double variance = elevationVariance.orElse(0);
        return lineage.level()
                .orElseGet(() ->
                        variance == 0 ? Lineage.HELD : Lineage.source(mark + " level", 1, new double[] {variance}));
    }

    /** Horizontal grid distance to another place, metres. */
    public double distanceTo(Position other) {
        return Math.hypot(other.northing - northing, other.easting - easting);
    }

    /** What has to be added to another place to come here, metres; up only where both have elevations. */
    public Difference minus(Position other) {
        return new Difference(
                northing - other.northing,
                easting - other.easting,
                elevation.isPresent() && other.elevation.isPresent()
                        ? OptionalDouble.of(elevation.getAsDouble() - other.elevation.getAsDouble())
                        : OptionalDouble.empty());
    }

    /** One place less another, metres. */
    public record Difference(double north, double east, OptionalDouble up) {
        /** Whether it is no more than so much in the plan, and up or down. */
        public boolean isWithin(double metres) {
            return Math.hypot(north, east) < metres && Math.abs(up.orElse(0)) < metres;
        }
    }

    /** Azimuth to another place, radians in (-pi, pi]. */
    public double azimuthTo(Position other) {
        return Math.atan2(other.easting - easting, other.northing - northing);
    }
}
