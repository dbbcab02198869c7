package markturn.survey.result;

import java.util.Optional;
import markturn.survey.job.Mark;

/**
 * A mark and its position.
 *
 * @param from name of the setup that gave the position; empty for given coordinates
 * @param adjustedBy name of the run its coordinates were adopted from
 */
public record MeasuredMark(Mark mark, Optional<Position> position, Optional<String> from, Optional<String> adjustedBy) {
    /** What stands for the setup where satellites gave the position. */
    public static final String SATELLITE_FIX = "satellite fix";

    /** Where it is, with the deviations that a list states for control; the computation holds those fixed. */
    public Optional<Position> stated() {
        boolean listed = adjustedBy.isEmpty()
                && mark.given().isPresent()
                && mark.stdDev().isPresent();
        return listed
                ? position.map(at -> new Position(
                        at.northing(),
                        at.easting(),
                        at.elevation(),
                        Position.known(mark.given().get(), mark.stdDev().get()).plan(),
                        at.elevation().isPresent()
                                ? Position.known(
                                                mark.given().get(),
                                                mark.stdDev().get())
                                        .elevationVariance()
                                : at.elevationVariance()))
                : position;
    }

    public String name() {
        return mark.name();
    }

    /** Whether it has a position that comes from readings: carried, or adjusted in a run. */
    public boolean isComputed() {
        return position.isPresent() && (from.isPresent() || adjustedBy.isPresent());
    }
}
