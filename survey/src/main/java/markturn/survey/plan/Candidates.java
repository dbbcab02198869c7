package markturn.survey.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.result.Position;
import markturn.survey.turning.PointingOrder;

/** Setups that could be made. */
final class Candidates {
    /** The ground is looked at in so many places along its longer side. */
    private static final int ALONG = 24;

    /** A free place that sees as much as another must lie so far from it, as a share of the ground. */
    private static final double APART = 0.06;

    private Candidates() {}

    static List<PlannedSetup> of(Site site, WorkPlan plan, String instrument, String reflector, int free) {
        Set<String> control = site.control();
        Set<String> marks = new LinkedHashSet<>(control);
        plan.wanted().forEach(mark -> marks.add(mark.name()));
        List<PlannedSetup> all = new ArrayList<>();
        WorkPlan bare = plan.with(List.of());
        for (String mark : marks) {
            PlannedSetup on = new PlannedSetup(
                    "on " + mark,
                    mark,
                    PlannedSetup.Method.OCCUPIED,
                    instrument,
                    1,
                    PointingOrder.School.RETURNING,
                    List.of());
            seen(site, bare, on, marks, control, reflector).ifPresent(all::add);
        }
        int number = 1;
        for (Place place : places(site, bare, free)) {
            PlannedSetup stands = new PlannedSetup(
                    "place " + number,
                    "place " + number,
                    PlannedSetup.Method.RESECTION,
                    instrument,
                    1,
                    PointingOrder.School.RETURNING,
                    List.of(),
                    Optional.of(new Mark.Coordinates(place.northing(), place.easting(), OptionalDouble.empty())));
            Optional<PlannedSetup> able = seen(site, bare, stands, marks, control, reflector);
            if (able.isPresent()) {
                all.add(able.get());
                number++;
            }
        }
        return all;
    }

    /** The same with all it sees; empty where that is too little to be of use. */
    static Optional<PlannedSetup> seen(
            Site site, WorkPlan plan, PlannedSetup setup, Set<String> marks, Set<String> control, String reflector) {
        WorkPlan with = plan.with(List.of(setup));
        List<PlannedSetup.Aim> aims = new ArrayList<>();
        for (String mark : marks) {
            if (!mark.equals(setup.station()) && site.sight(with, setup, mark).isSeen()) {
                Reading.Role role = control.contains(mark) ? Reading.Role.BACKSIGHT : Reading.Role.FORESIGHT;
                aims.add(new PlannedSetup.Aim(mark, role, reflector));
            }
        }
        aims.sort(Comparator.comparing((PlannedSetup.Aim aim) -> aim.role() == Reading.Role.BACKSIGHT ? 0 : 1));
        return aims.size() < 2 ? Optional.empty() : Optional.of(setup.sighting(aims));
    }

    /** Places spread over the ground, those first that see most; deterministic. */
    private static List<Place> places(Site site, WorkPlan plan, int most) {
        Map<String, Position> near = site.near(plan);
        if (near.isEmpty() || most < 1) {
            return List.of();
        }
        double south =
                near.values().stream().mapToDouble(Position::northing).min().getAsDouble();
        double north =
                near.values().stream().mapToDouble(Position::northing).max().getAsDouble();
        double west =
                near.values().stream().mapToDouble(Position::easting).min().getAsDouble();
        double east =
                near.values().stream().mapToDouble(Position::easting).max().getAsDouble();
        double step = Math.max(1, Math.max(north - south, east - west)) / ALONG;
        List<Seen> grid = new ArrayList<>();
        for (double n = south + step / 2; n < north; n += step) {
            for (double e = west + step / 2; e < east; e += step) {
                Place place = new Place(n, e);
                if (site.ground().canStand(place)) {
                    grid.add(new Seen(place, count(site, plan, near, place)));
                }
            }
        }
        grid.sort(Comparator.comparingInt(seen -> -seen.marks()));
        List<Place> chosen = new ArrayList<>();
        double apart = APART * step * ALONG;
        for (Seen seen : grid) {
            boolean alone = chosen.stream().allMatch(other -> other.distanceTo(seen.place()) > apart);
            if (chosen.size() < most && seen.marks() > 1 && alone) {
                chosen.add(seen.place());
            }
        }
        return chosen;
    }

    private record Seen(Place place, int marks) {}

    private static int count(Site site, WorkPlan plan, Map<String, Position> near, Place place) {
        Ground.End eye = new Ground.End(place, OptionalDouble.empty());
        int count = 0;
        for (String mark : near.keySet()) {
            Optional<Ground.End> end = site.end(plan, mark, plan.target());
            count += end.isPresent() && site.ground().isSeen(eye, end.get()) ? 1 : 0;
        }
        return count;
    }
}
