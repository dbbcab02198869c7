package markturn.survey.result;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.job.Plain;
import markturn.survey.propagate.Lineage;

/**
 * Where a mark is and how well that is known. A value, and no record: there is one for every point of a job, and objects of its own for
 * its covariance and what may be missing would double its weight.
 */
public final class Position {
    private final double northing;
    private final double easting;
    private final double elevation;
    private final double nn;
    private final double ee;
    private final double ne;
    private final double elevationVariance;
    private final Lineages lineage;

    /**
     * A place.
     *
     * @param elevation metres; empty where unknown or in a job that is plan only
     * @param plan covariance of northing and easting
     * @param elevationVariance square metres; empty with the elevation
     * @param lineage what its errors are made of; nothing where it shares them with no other place
     */
    public Position(
            double northing,
            double easting,
            OptionalDouble elevation,
            Covariance plan,
            OptionalDouble elevationVariance,
            Lineages lineage) {
        this.northing = northing;
        this.easting = easting;
        this.elevation = Plain.of(elevation);
        this.nn = plan.nn();
        this.ee = plan.ee();
        this.ne = plan.ne();
        this.elevationVariance = Plain.of(elevationVariance);
        this.lineage = lineage;
    }

    public double northing() {
        return northing;
    }

    public double easting() {
        return easting;
    }

    /** Metres; empty where unknown or in a job that is plan only. */
    public OptionalDouble elevation() {
        return Plain.read(elevation);
    }

    /** Covariance of northing and easting. */
    public Covariance plan() {
        return new Covariance(nn, ee, ne);
    }

    /** Square metres; empty with the elevation. */
    public OptionalDouble elevationVariance() {
        return Plain.read(elevationVariance);
    }

    /** What its errors are made of; nothing where it shares them with no other place. */
    public Lineages lineage() {
        return lineage;
    }

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
        return new Position(northing, easting, OptionalDouble.empty(), plan(), OptionalDouble.empty(), lineage);
    }

    /**
     * What the error of its plan is made of, north and east.
     *
     * @param mark true name of the mark that lies there
     */
    public Lineage planLineage(String mark) {
        return lineage.plan()
                .orElseGet(() -> nn == 0 && ee == 0 && ne == 0
                        ? Lineage.HELD
                        : Lineage.source(mark + " plan", 2, new double[] {nn, ne, ne, ee}));
    }

    /**
     * What the error of its elevation is made of.
     *
     * @param mark true name of the mark that lies there
     */
    public Lineage levelLineage(String mark) {
        double variance = elevationVariance().orElse(0);
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
                northing - other.northing, easting - other.easting, Plain.read(elevation - other.elevation));
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

    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof Position that
                        && Arrays.equals(numbers(), that.numbers())
                        && lineage.equals(that.lineage);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(numbers());
    }

    @Override
    public String toString() {
        return Arrays.toString(numbers());
    }

    private double[] numbers() {
        return new double[] {northing, easting, elevation, nn, ee, ne, elevationVariance};
    }
}
