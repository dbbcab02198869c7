package markturn.survey.locate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.propagate.Propagation;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.result.Unplaced;

/** The sights at marks that none of them places alone, gathered until together they do. */
final class Intersections {
    private final Job job;
    private final Propagation propagation;
    private final Map<String, List<Sighting>> byMark = new LinkedHashMap<>();
    private final Map<String, Unplaced.Why> open = new HashMap<>();
    private final Set<String> placed = new HashSet<>();

    Intersections(Job job, Propagation propagation) {
        this.job = job;
        this.propagation = propagation;
    }

    /** Whether a shot is one of those: of a role that gives positions, and with a direction or a distance, not both. */
    static boolean helps(MeasuredSetup setup, Shot shot) {
        boolean gives =
                shot.fix().role() == Reading.Role.FORESIGHT || shot.fix().role() == Reading.Role.DETAIL;
        boolean oriented = setup.station().isPresent()
                && setup.orientation().isPresent()
                && setup.pose().isPresent();
        return gives
                && oriented
                && shot.fix().offset().isEmpty()
                && shot.direction().isPresent() != shot.horizontal().isPresent();
    }

    boolean hasPlaced(String mark) {
        // Of most jobs there is none, and thousands of names are asked for.
        return !placed.isEmpty() && placed.contains(mark);
    }

    /** Takes in the sights of a setup at a mark. */
    void take(MeasuredSetup setup, Shot shot) {
        byMark.computeIfAbsent(shot.mark(), mark -> new ArrayList<>()).add(Sighting.of(job, setup, shot));
    }

    /** The marks that a setup sighted in this way. */
    Set<String> touched(MeasuredSetup setup) {
        Set<String> marks = new LinkedHashSet<>();
        byMark.forEach((mark, sightings) -> {
            if (sightings.get(sightings.size() - 1).setup() == setup) {
                marks.add(mark);
            }
        });
        return marks;
    }

    /** Where a mark lies by all its sights so far; empty while they are from one setup, or fix no place. */
    Optional<Position> place(String mark) {
        List<Sighting> sightings = byMark.get(mark);
        long setups = sightings.stream().map(s -> s.setup().name()).distinct().count();
        if (setups < 2) {
            open.put(mark, Unplaced.Why.ONE_SETUP);
            return Optional.empty();
        }
        Intersection.Outcome outcome = Intersection.of(job, mark, sightings, propagation);
        if (outcome.at().isPresent()) {
            open.remove(mark);
            placed.add(mark);
        } else {
            open.put(mark, outcome.twoPlaces() ? Unplaced.Why.TWO_PLACES : Unplaced.Why.NOWHERE);
        }
        return outcome.at();
    }

    /** What was sighted and has no place for want of another sight. */
    List<Unplaced> unplaced(Set<String> known) {
        List<Unplaced> all = new ArrayList<>();
        byMark.forEach((mark, sightings) -> {
            if (open.containsKey(mark) && !known.contains(mark)) {
                all.add(new Unplaced(
                        mark,
                        open.get(mark),
                        sightings.stream().map(s -> s.setup().name()).distinct().toList()));
            }
        });
        return all;
    }
}
