package markturn.survey.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.network.ForeseenSetup;
import markturn.survey.result.Position;

/**
 * Where a plan is tried: the job with its marks, the ground, and where everything lies about. Built once, asked often.
 *
 * @param known positions of the job's marks, by true name
 */
public record Site(Job job, Map<String, Position> known, Ground ground) {
    /**
     * Where everything of a plan lies about: known marks, wanted ones, free stations. What has no elevation lies as high as the known marks
     * do in the mean: what a height difference is worth hardly hangs on it.
     */
    public Map<String, Position> near(WorkPlan plan) {
        Map<String, Position> near = new LinkedHashMap<>(known);
        plan.wanted().forEach(mark -> near.putIfAbsent(mark.name(), Position.held(mark.near())));
        for (PlannedSetup setup : plan.setups()) {
            setup.place().ifPresent(at -> {
                if (setup.isFree() || !near.containsKey(setup.station())) {
                    near.put(setup.station(), Position.held(at));
                }
            });
        }
        OptionalDouble level = near.values().stream()
                .flatMap(at -> at.elevation().stream().boxed())
                .mapToDouble(Double::doubleValue)
                .average();
        if (level.isPresent()) {
            near.replaceAll((mark, at) -> at.elevation().isPresent() ? at : at(at, level));
        }
        return near;
    }

    private static Position at(Position place, OptionalDouble level) {
        return Position.held(new Mark.Coordinates(place.northing(), place.easting(), level));
    }

    /** The marks of which the coordinates are held: what a network of this job would hold. */
    public Set<String> held() {
        Set<String> held = new LinkedHashSet<>();
        known.keySet().stream()
                .filter(mark -> ForeseenNetwork.isHeld(job, mark))
                .forEach(held::add);
        return held;
    }

    /** The marks that setups are fixed by: those with given or adopted coordinates, whether these are held or observed. */
    public Set<String> control() {
        Set<String> control = held();
        known.keySet().stream()
                .filter(mark -> job.mark(mark).flatMap(Mark::given).isPresent()
                        || job.adopted().stream()
                                .anyMatch(a -> job.trueName(a.mark()).equals(mark)))
                .forEach(control::add);
        return control;
    }

    /** The marks that a network has to find: wanted ones, and control of which the coordinates are observed and not held; numbered from 0. */
    Map<String, Integer> numbers(WorkPlan plan) {
        Set<String> held = held();
        Map<String, Integer> numbers = new LinkedHashMap<>();
        for (WantedMark mark : plan.wanted()) {
            if (!held.contains(mark.name())) {
                numbers.putIfAbsent(mark.name(), numbers.size());
            }
        }
        for (String mark : control()) {
            if (!held.contains(mark)) {
                numbers.putIfAbsent(mark, numbers.size());
            }
        }
        return numbers;
    }

    /** How a mark is seen from a setup. */
    public Ground.Sight sight(WorkPlan plan, PlannedSetup setup, String mark) {
        return sight(plan, setup.station(), mark);
    }

    /** How two marks see each other, with an instrument on the one and a reflector on the other. */
    public Ground.Sight sight(WorkPlan plan, String one, String other) {
        Optional<Ground.End> from = end(plan, one, plan.axis());
        Optional<Ground.End> to = end(plan, other, plan.target());
        return from.isPresent() && to.isPresent()
                ? ground.between(from.get(), to.get())
                : new Ground.Sight(Ground.View.BLOCKED, Optional.empty());
    }

    /** One end of a sight above a mark; the elevation only where somebody knows it. */
    public Optional<Ground.End> end(WorkPlan plan, String mark, double height) {
        Position at = known.get(mark);
        if (at != null) {
            return Optional.of(end(at.northing(), at.easting(), at.elevation(), height));
        }
        Optional<Mark.Coordinates> wanted = plan.wanted().stream()
                .filter(w -> w.name().equals(mark))
                .map(WantedMark::near)
                .findFirst();
        Optional<Mark.Coordinates> place = wanted.or(() -> plan.setups().stream()
                .filter(s -> s.station().equals(mark))
                .flatMap(s -> s.place().stream())
                .findFirst());
        return place.map(c -> end(c.northing(), c.easting(), c.elevation(), height));
    }

    private static Ground.End end(double northing, double easting, OptionalDouble elevation, double height) {
        return new Ground.End(
                new Place(northing, easting),
                elevation.isPresent() ? OptionalDouble.of(elevation.getAsDouble() + height) : elevation);
    }

    /** A setup of the plan with those of its aims alone that are seen. */
    public PlannedSetup seeing(WorkPlan plan, PlannedSetup setup) {
        return setup.sighting(setup.aims().stream()
                .filter(aim -> sight(plan, setup, aim.target()).isSeen())
                .toList());
    }

    /** What the plan's setups will sight: those of their aims that are seen. */
    public List<ForeseenSetup> foreseen(WorkPlan plan) {
        List<ForeseenSetup> setups = new ArrayList<>();
        for (PlannedSetup setup : plan.setups()) {
            setups.add(new ForeseenSetup(
                    setup.name(),
                    setup.station(),
                    setup.isFree(),
                    setup.instrument(),
                    setup.sets(),
                    seeing(plan, setup).aims().stream()
                            .map(aim -> new ForeseenSetup.Target(aim.target(), aim.reflector(), true))
                            .toList()));
        }
        return setups;
    }

    /** What the plan will give. */
    public ForeseenNetwork foresee(WorkPlan plan, ForeseenNetwork.Depth depth) {
        return ForeseenNetwork.of(job, near(plan), held(), foreseen(plan), depth);
    }
}
