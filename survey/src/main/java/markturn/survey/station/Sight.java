package markturn.survey.station;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;

/**
 * A known mark sighted from a free station: its coordinates, what was measured to it, and what of that takes part.
 *
 * @param deviations of its coordinates, where control carries them
 * @param direction reduced, radians
 * @param directionCount sets it rests on, single faces half
 * @param distance on the grid, metres
 * @param distanceCount sets that hold one
 * @param rise height difference from station to mark, metres
 * @param riseVariance of it, without the instrument's height, square metres
 */
record Sight(
        String target,
        String mark,
        double northing,
        double easting,
        OptionalDouble elevation,
        Optional<Mark.Deviations> deviations,
        OptionalDouble direction,
        double directionCount,
        OptionalDouble distance,
        double distanceCount,
        OptionalDouble rise,
        OptionalDouble riseVariance,
        Reflector reflector,
        boolean useDirection,
        boolean useDistance,
        boolean useElevation) {
    boolean givesDirection() {
        return useDirection && direction.isPresent();
    }

    boolean givesDistance() {
        return useDistance && distance.isPresent();
    }

    boolean givesElevation() {
        return useElevation && rise.isPresent() && distance.isPresent() && elevation.isPresent();
    }

    /** The same with nothing of it taking part. */
    Sight leftOut() {
        return with(false, false, false);
    }

    /** The same with other parts taking part. */
    Sight with(boolean directionToo, boolean distanceToo, boolean elevationToo) {
        return new Sight(
                target,
                mark,
                northing,
                easting,
                elevation,
                deviations,
                direction,
                directionCount,
                distance,
                distanceCount,
                rise,
                riseVariance,
                reflector,
                directionToo,
                distanceToo,
                elevationToo);
    }

    /** The same measured to the place of another mark: what a swapped name would mean. */
    Sight at(Sight other) {
        return new Sight(
                target,
                mark,
                other.northing,
                other.easting,
                other.elevation,
                other.deviations,
                direction,
                directionCount,
                distance,
                distanceCount,
                rise,
                riseVariance,
                reflector,
                useDirection,
                useDistance,
                useElevation);
    }

    /** The same with its mark moved, metres. */
    Sight movedBy(double north, double east) {
        return new Sight(
                target,
                mark,
                northing + north,
                easting + east,
                elevation,
                deviations,
                direction,
                directionCount,
                distance,
                distanceCount,
                rise,
                riseVariance,
                reflector,
                useDirection,
                useDistance,
                useElevation);
    }

    double directionStdDev(Weights weights, double length) {
        return Math.sqrt(weights.direction(directionCount, reflector, distance.orElse(length)));
    }

    double distanceStdDev(Weights weights) {
        return Math.sqrt(weights.distance(distanceCount, reflector, distance.orElseThrow()));
    }
}
