package markturn.web.turning;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.simulator.Practice;
import markturn.simulator.TotalStation;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.Refused;
import markturn.web.fieldbook.TurningOrder;

/** The simulated total station at a setup: what it shows when the line in hand is sighted. */
final class Devices {
    private final Book book;
    private final Practice practice;
    private final Setup setup;
    private final TurningOrder order;

    Devices(Book book, Setup setup) {
        this.book = book;
        this.practice = book.practice()
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
    TotalStation.Shown shown(TurningPage.Live live, boolean automatic) {
        List<Practice.Aim> aims = new ArrayList<>(order.aims().stream()
                .map(a -> new Practice.Aim(a.target(), a.reflector(), a.height()))
                .toList());
        if (aims.stream().noneMatch(a -> a.target().equals(live.target()))) {
            aims.add(new Practice.Aim(live.target(), live.reflector(), live.height()));
        }
        Job job = book.job();
        int set = live.set() == 0 ? lastSet() : live.set();
        OptionalDouble start = order.circleStart().of(set, order.sets());
        try {
            TotalStation.Shown shown = practice.point(
                    job,
                    setup,
                    aims,
                    start,
                    live.target(),
                    live.face(),
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

    private int lastSet() {
        return setup.readings().stream()
                .filter(r -> r.set().isPresent())
                .reduce((earlier, later) -> later)
                .map(r -> r.set().getAsInt())
                .orElse(1);
    }

    /** What is shown, as a line of the book. */
    static Reading reading(TurningPage.Live live, TotalStation.Shown shown, Job job) {
        double slope = shown.slopes().stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        String circle = job.units().angle().write(shown.circle().radians(), decimals(job));
        String zenith = job.units().angle().write(shown.zenith().radians(), decimals(job));
        return new Reading(
                live.target(),
                live.role(),
                live.set() == 0 ? java.util.OptionalInt.empty() : java.util.OptionalInt.of(live.set()),
                live.face(),
                new markturn.survey.job.Circle(job.units().angle().read(circle), circle),
                Optional.of(new markturn.survey.job.Circle(job.units().angle().read(zenith), zenith)),
                slope == 0 ? OptionalDouble.empty() : OptionalDouble.of(slope),
                shown.slopes().size() > 1 ? shown.slopes() : List.of(),
                live.reflector(),
                live.height(),
                Optional.of(shown.at()),
                Reading.Origin.SIMULATED,
                Optional.of(shown.applied()),
                Optional.empty(),
                live.centringStdDev(),
                Optional.empty());
    }

    private static int decimals(Job job) {
        return job.units().angle() == markturn.survey.angle.AngleUnit.DMS ? 1 : 5;
    }
}
