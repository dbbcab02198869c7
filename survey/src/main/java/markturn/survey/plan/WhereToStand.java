package markturn.survey.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.Position;

/**
 * The ground, place by place: what a free station there would give, the plan's other setups standing as they are. Built once, asked for any
 * place in any order, so that a page can draw it coarse first.
 */
public final class WhereToStand {
    /** Where no wanted mark asks for anything, a station is held to that, 95 %, metres. Common practice, no source. */
    private static final double USUAL = 0.010;

    private static final int CHECKED = 3;

    private final Site site;
    private final StationWorth worth;
    private final double limit;
    private final List<Known> marks = new ArrayList<>();
    private final List<Ground.End> wanted = new ArrayList<>();
    private final double axis;
    private final OptionalDouble level;

    /** A mark that a station can be fixed by. */
    private record Known(Position at, Ground.End end) {}

    /** What the ground is worth, in steps. */
    public enum Step {
        WELL("fixed well, and checked"),
        FAIRLY("fixed, and checked"),
        POORLY("hardly fixed, or unchecked"),
        NOT("not fixed"),
        NO_GO("nobody stands there");

        private final String words;

        Step(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * What a place is worth.
     *
     * @param within the station would lie within that, 95 %, metres; empty where it is not determined
     * @param marks that fix it
     * @param reached wanted marks that are seen from there
     */
    public record Worth(Step step, OptionalDouble within, int marks, int reached) {}

    /**
     * Prepares.
     *
     * @param plan of which the setup of that name, if it has one, is the one that is to be placed
     * @param reflector that the marks carry
     */
    public WhereToStand(Site site, WorkPlan plan, String setup, String instrument, String reflector, int sets) {
        this.site = site;
        this.worth = new StationWorth(site.job(), instrument, reflector, sets);
        this.axis = plan.axis();
        WorkPlan others = plan.without(setup);
        Map<String, Position> near = site.near(others);
        Set<String> control = site.control();
        ForeseenNetwork network = site.foresee(others, ForeseenNetwork.Depth.PRECISION);
        Set<String> places = new LinkedHashSet<>(control);
        others.wanted().forEach(w -> places.add(w.name()));
        double asked = USUAL;
        boolean any = false;
        for (WantedMark mark : plan.wanted()) {
            if (mark.plan().isPresent()) {
                asked = any
                        ? Math.min(asked, mark.plan().getAsDouble())
                        : mark.plan().getAsDouble();
                any = true;
            }
            site.end(others, mark.name(), plan.target()).ifPresent(wanted::add);
        }
        this.limit = asked;
        for (String name : places) {
            Optional<Position> found = control.contains(name)
                    ? Optional.of(near.get(name))
                    : network.mark(name).map(Adjusted::position);
            found.ifPresent(
                    at -> site.end(others, name, plan.target()).ifPresent(end -> marks.add(new Known(at, end))));
        }
        this.level = near.values().stream()
                .flatMap(at -> at.elevation().stream().boxed())
                .mapToDouble(Double::doubleValue)
                .average();
    }

    /** What is asked of a station: it shall lie within that, 95 %, metres. */
    public double limit() {
        return limit;
    }

    /** What a station at a place would be worth. */
    public Worth at(Place place) {
        if (!site.ground().canStand(place)) {
            return new Worth(Step.NO_GO, OptionalDouble.empty(), 0, 0);
        }
        Ground.End eye =
                new Ground.End(place, level.isPresent() ? OptionalDouble.of(level.getAsDouble() + axis) : level);
        List<Position> seen = new ArrayList<>();
        for (Known mark : marks) {
            if (site.ground().isSeen(eye, mark.end())) {
                seen.add(mark.at());
            }
        }
        int reached = 0;
        for (Ground.End mark : wanted) {
            reached += site.ground().isSeen(eye, mark) ? 1 : 0;
        }
        Optional<Covariance> spread = worth.at(place, seen);
        if (spread.isEmpty()) {
            return new Worth(Step.NOT, OptionalDouble.empty(), seen.size(), reached);
        }
        double within = spread.get().ellipse().of95().semiMajor();
        return new Worth(step(within, seen.size()), OptionalDouble.of(within), seen.size(), reached);
    }

    private Step step(double within, int seen) {
        if (seen < CHECKED || within > limit) {
            return Step.POORLY;
        }
        return within <= limit / 2 ? Step.WELL : Step.FAIRLY;
    }
}
