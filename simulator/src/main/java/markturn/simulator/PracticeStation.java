package markturn.simulator;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Refused;
import markturn.fieldbook.TurningOrder;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Circle;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.tripod.station.Sight;
import markturn.tripod.station.Station;

/** The simulated total station of a practice job: what it shows when a sight is called for. */
public final class PracticeStation implements Station {
    private final Practice practice;

    private PracticeStation(Practice practice) {
        this.practice = practice;
    }

    /** The simulated devices of a job; empty where it has none. */
    public static Optional<Practice> practice(BookedJob book) {
        return book.practice().map(opened -> new Practice(opened.seed(), Practice.faults(Set.copyOf(opened.faults()))));
    }

    /** The simulated station of a job; empty where it has none. */
    public static Optional<Station> of(BookedJob book) {
        return practice(book).map(PracticeStation::new);
    }

    @Override
    public Atmosphere air() {
        return practice.weather().read();
    }

    @Override
    public Reading sight(BookedJob book, Setup setup, Sight sight, boolean automatic, Instant now) {
        TurningOrder order = book.order(setup);
        List<Practice.Aim> aims = new ArrayList<>(order.aims().stream()
                .map(a -> new Practice.Aim(a.target(), a.reflector(), a.height()))
                .toList());
        if (aims.stream().noneMatch(a -> a.target().equals(sight.target()))) {
            aims.add(new Practice.Aim(sight.target(), sight.reflector(), sight.height()));
        }
        int set = sight.set() == 0 ? lastSet(setup) : sight.set();
        try {
            TotalStation.Shown shown = practice.point(
                    book.job(),
                    setup,
                    aims,
                    order.circleStart().of(set, order.sets()),
                    sight.target(),
                    sight.face(),
                    setup.readings().size(),
                    automatic,
                    order.distances());
            return reading(sight, shown, book.job(), now.truncatedTo(ChronoUnit.SECONDS));
        } catch (IllegalArgumentException nothingThere) {
            throw new Refused("circle", nothingThere.getMessage());
        }
    }

    private static int lastSet(Setup setup) {
        return setup.readings().stream()
                .filter(r -> r.set().isPresent())
                .reduce((earlier, later) -> later)
                .map(r -> r.set().getAsInt())
                .orElse(1);
    }

    private static Reading reading(Sight sight, TotalStation.Shown shown, Job job, Instant now) {
        double slope = shown.slopes().stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        AngleUnit unit = job.units().angle();
        return new Reading(
                sight.target(),
                sight.role(),
                sight.set() == 0 ? OptionalInt.empty() : OptionalInt.of(sight.set()),
                sight.face(),
                displayed(shown.circle(), unit),
                Optional.of(displayed(shown.zenith(), unit)),
                slope == 0 ? OptionalDouble.empty() : OptionalDouble.of(slope),
                shown.slopes().size() > 1 ? shown.slopes() : List.of(),
                sight.reflector(),
                sight.height(),
                Optional.of(now),
                Reading.Origin.SIMULATED,
                Optional.of(shown.applied()),
                Optional.empty(),
                sight.centringStdDev(),
                Optional.empty());
    }

    /** In the unit of the job, with the digits of a display. */
    private static Circle displayed(Circle shown, AngleUnit unit) {
        String written = unit.write(shown.radians(), unit == AngleUnit.DMS ? 1 : 5);
        return new Circle(unit.read(written), written);
    }
}
