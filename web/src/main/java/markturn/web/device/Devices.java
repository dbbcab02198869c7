package markturn.web.device;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Refused;
import markturn.fieldbook.TurningOrder;
import markturn.simulator.Practice;
import markturn.simulator.TotalStation;
import markturn.survey.job.Job;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** The simulated total station at a setup: what it shows when the line in hand is sighted. */
public final class Devices {
    private final BookedJob book;
    private final Practice practice;
    private final Setup setup;
    private final TurningOrder order;

    /** Of a setup in a job with simulated devices; refused where it has none. */
    public Devices(BookedJob book, Setup setup) {
        this.book = book;
        this.practice = practice(book)
                .orElseThrow(
                        () -> new Refused("circle", "This job has no simulated station: switch practice on first"));
        this.setup = setup;
        this.order = book.order(setup);
    }

    /**
     * Sights and measures.
     *
     * @param automatic whether the station turns by itself
     * @throws Refused where there is nothing of that name to sight
     */
    public TotalStation.Shown shown(Sight sight, boolean automatic) {
        List<Practice.Aim> aims = new ArrayList<>(order.aims().stream()
                .map(a -> new Practice.Aim(a.target(), a.reflector(), a.height()))
                .toList());
        if (aims.stream().noneMatch(a -> a.target().equals(sight.target()))) {
            aims.add(new Practice.Aim(sight.target(), sight.reflector(), sight.height()));
        }
        Job job = book.job();
        int set = sight.set() == 0 ? lastSet() : sight.set();
        OptionalDouble start = order.circleStart().of(set, order.sets());
        try {
            TotalStation.Shown shown = practice.point(
                    job,
                    setup,
                    aims,
                    start,
                    sight.target(),
                    sight.face(),
                    setup.readings().size(),
                    automatic,
                    order.distances());
            return new TotalStation.Shown(
                    shown.circle(),
                    shown.zenith(),
                    shown.slopes(),
                    shown.applied(),
                    Instant.now().truncatedTo(ChronoUnit.SECONDS));
        } catch (IllegalArgumentException nothingThere) {
            throw new Refused("circle", nothingThere.getMessage());
        }
    }

    /** The simulated devices of a job; empty where it has none. */
    public static Optional<Practice> practice(BookedJob book) {
        return book.practice().map(opened -> new Practice(opened.seed(), Practice.faults(Set.copyOf(opened.faults()))));
    }

    private int lastSet() {
        return setup.readings().stream()
                .filter(r -> r.set().isPresent())
                .reduce((earlier, later) -> later)
                .map(r -> r.set().getAsInt())
                .orElse(1);
    }

    /** One sight: at what, why, how, and what stands there. */
    public record Sight(
            String target,
            Reading.Role role,
            int set,
            Reading.Face face,
            String reflector,
            Optional<MeasuredHeight> height,
            OptionalDouble centringStdDev) {}

    /** What is shown, as a line of the book. */
    public static Reading reading(Sight sight, TotalStation.Shown shown, Job job) {
        double slope = shown.slopes().stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        String circle = job.units().angle().write(shown.circle().radians(), decimals(job));
        String zenith = job.units().angle().write(shown.zenith().radians(), decimals(job));
        return new Reading(
                sight.target(),
                sight.role(),
                sight.set() == 0 ? java.util.OptionalInt.empty() : java.util.OptionalInt.of(sight.set()),
                sight.face(),
                new markturn.survey.job.Circle(job.units().angle().read(circle), circle),
                Optional.of(new markturn.survey.job.Circle(job.units().angle().read(zenith), zenith)),
                slope == 0 ? OptionalDouble.empty() : OptionalDouble.of(slope),
                shown.slopes().size() > 1 ? shown.slopes() : List.of(),
                sight.reflector(),
                sight.height(),
                Optional.of(shown.at()),
                Reading.Origin.SIMULATED,
                Optional.of(shown.applied()),
                Optional.empty(),
                sight.centringStdDev(),
                Optional.empty());
    }

    private static int decimals(Job job) {
        return job.units().angle() == markturn.survey.angle.AngleUnit.DMS ? 1 : 5;
    }
}
