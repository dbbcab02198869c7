package markturn.survey.result;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/** How far a mark moved between two computations of a job, after minus before, metres; empty where it was or is without a position. */
public record Moved(String mark, OptionalDouble northing, OptionalDouble easting, OptionalDouble elevation) {
    /** Less than this is rounding, metres. */
    private static final double NOTHING = 1e-6;

    /** Every mark that moved, appeared or vanished, in the job's order. */
    public static List<Moved> between(Measured before, Measured after) {
        Stream<Moved> there = after.marks().stream()
                .map(now -> of(now.name(), before.mark(now.name()).flatMap(MeasuredMark::position), now.position()));
        // A mark that became another name of one is a mark no longer.
        Stream<Moved> gone = before.marks().stream()
                .filter(was -> after.mark(was.name()).isEmpty())
                .map(was -> of(was.name(), was.position(), Optional.empty()));
        return Stream.concat(there, gone).filter(Moved::isWorthSaying).toList();
    }

    private static Moved of(String mark, Optional<Position> before, Optional<Position> after) {
        OptionalDouble none = OptionalDouble.empty();
        if (before.isEmpty() || after.isEmpty()) {
            boolean same = before.isEmpty() && after.isEmpty();
            return new Moved(mark, same ? OptionalDouble.of(0) : none, none, none);
        }
        Position was = before.get();
        Position is = after.get();
        return new Moved(
                mark,
                OptionalDouble.of(is.northing() - was.northing()),
                OptionalDouble.of(is.easting() - was.easting()),
                was.elevation().isPresent() && is.elevation().isPresent()
                        ? OptionalDouble.of(
                                is.elevation().getAsDouble() - was.elevation().getAsDouble())
                        : none);
    }

    private boolean isWorthSaying() {
        return northing.isEmpty()
                || Math.abs(northing.getAsDouble()) > NOTHING
                || Math.abs(easting.orElse(0)) > NOTHING
                || Math.abs(elevation.orElse(0)) > NOTHING;
    }
}
