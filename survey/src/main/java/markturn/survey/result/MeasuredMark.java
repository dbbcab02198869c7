package markturn.survey.result;

import java.util.Objects;
import java.util.Optional;
import markturn.survey.job.Mark;

/** A mark and its position. A value, and no record: a job has thousands, and what may be missing weighs as much again in objects of its own. */
public final class MeasuredMark {
    /** What stands for the setup where satellites gave the position. */
    public static final String SATELLITE_FIX = "satellite fix";

    private final Mark mark;
    private final Position position;
    private final String from;
    private final String adjustedBy;

    /**
     * A mark.
     *
     * @param from name of the setup that gave the position; empty for given coordinates
     * @param adjustedBy name of the run its coordinates were adopted from
     */
    public MeasuredMark(Mark mark, Optional<Position> position, Optional<String> from, Optional<String> adjustedBy) {
        this.mark = mark;
        this.position = position.orElse(null);
        this.from = from.orElse(null);
        this.adjustedBy = adjustedBy.orElse(null);
    }

    public Mark mark() {
        return mark;
    }

    public Optional<Position> position() {
        return Optional.ofNullable(position);
    }

    /** The position; null where it has none, for what is asked for every sight. */
    Position place() {
        return position;
    }

    /** Name of the setup that gave the position; empty for given coordinates. */
    public Optional<String> from() {
        return Optional.ofNullable(from);
    }

    /** Name of the run its coordinates were adopted from. */
    public Optional<String> adjustedBy() {
        return Optional.ofNullable(adjustedBy);
    }

    /** Where it is, with the deviations that a list states for control; the computation holds those fixed. */
    public Optional<Position> stated() {
        boolean listed =
                adjustedBy == null && mark.given().isPresent() && mark.stdDev().isPresent();
        return listed
                ? position()
                        .map(at -> new Position(
                                at.northing(),
                                at.easting(),
                                at.elevation(),
                                Position.known(mark.given().get(), mark.stdDev().get())
                                        .plan(),
                                at.elevation().isPresent()
                                        ? Position.known(
                                                        mark.given().get(),
                                                        mark.stdDev().get())
                                                .elevationVariance()
                                        : at.elevationVariance()))
                : position();
    }

    public String name() {
        return mark.name();
    }

    /** Whether it has a position that comes from readings: carried, or adjusted in a run. */
    public boolean isComputed() {
        return position != null && (from != null || adjustedBy != null);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof MeasuredMark that
                && mark.equals(that.mark)
                && Objects.equals(position, that.position)
                && Objects.equals(from, that.from)
                && Objects.equals(adjustedBy, that.adjustedBy);
    }

    @Override
    public int hashCode() {
        return Objects.hash(mark, position, from, adjustedBy);
    }

    @Override
    public String toString() {
        return mark.name() + " " + position + " from " + from + " adjusted by " + adjustedBy;
    }
}
