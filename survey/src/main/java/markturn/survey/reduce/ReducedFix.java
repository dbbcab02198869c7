package markturn.survey.reduce;

import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;

/**
 * A fix brought to direction, grid distance and height difference: the mean of the corrected slope distances and of the zenith angles
 * over the sets, then one reduction.
 *
 * @param directions from the circle's zero, set by set
 * @param zenith radians
 * @param slope corrected, metres
 * @param horizontal grid distance, metres
 * @param elevationDifference mark to mark, metres; empty where a height is missing or the job is plan only
 */
public record ReducedFix(
        PolarFix fix,
        ReducedDirections directions,
        OptionalDouble zenith,
        double zenithCount,
        OptionalDouble slope,
        double distanceCount,
        OptionalDouble horizontal,
        OptionalDouble elevationDifference) {

    /** Reduces one fix of a setup. */
    public static ReducedFix of(Job job, Setup setup, BookedSetup booked, PolarFix fix) {
        SetMeans means = fix.pointings().means();
        OptionalDouble zenith = means.zenith();
        OptionalDouble slope = means.slope();
        OptionalDouble horizontal = OptionalDouble.empty();
        OptionalDouble difference = OptionalDouble.empty();
        if (zenith.isPresent() && slope.isPresent()) {
            Slope reduced = Slope.reduce(slope.getAsDouble(), zenith.getAsDouble(), job.earth());
            horizontal = OptionalDouble.of(reduced.horizontal() * job.earth().scaleFactor());
            OptionalDouble instrument = Heights.ofInstrument(job, setup);
            OptionalDouble target =
                    Heights.ofTarget(job, fix.pointings().readings().get(0).reading());
            if (!job.planOnly() && instrument.isPresent() && target.isPresent()) {
                difference = OptionalDouble.of(reduced.rise() + instrument.getAsDouble() - target.getAsDouble());
            }
        }
        return new ReducedFix(
                fix,
                means.reducedTo(booked.zeros()),
                zenith,
                means.zenithCount(),
                slope,
                means.distanceCount(),
                horizontal,
                difference);
    }

    /**
     * The same with a scale of its own and on the straight line of the grid.
     *
     * @param ratio of its factor to the job's
     * @param turn added to its directions, radians
     */
    public ReducedFix onGrid(double ratio, double turn) {
        return new ReducedFix(
                fix,
                directions.turned(turn),
                zenith,
                zenithCount,
                slope,
                distanceCount,
                horizontal.isPresent() ? OptionalDouble.of(horizontal.getAsDouble() * ratio) : horizontal,
                elevationDifference);
    }
}
