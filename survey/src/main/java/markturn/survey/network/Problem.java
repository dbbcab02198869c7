package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.job.ReferencePair;
import markturn.survey.result.Position;

/** A network on one datum: what is sought, and what was observed of it. Coordinates are counted from the first mark. */
final class Problem {
    private final Datum datum;
    private final ObservedCoordinates coordinates;
    private final Unknowns unknowns;
    private final List<Ray> rays;

    /**
     * A network.
     *
     * @param known positions by true name, near enough to start from
     * @param references what is known between its marks without the instrument
     */
    Problem(
            Job job,
            List<Stood> setups,
            Map<String, Position> known,
            List<Ray> all,
            List<ReferencePair> references,
            Datum datum) {
        this.datum = datum;
        this.coordinates = new ObservedCoordinates(job, datum);
        this.unknowns = new Unknowns(known, datum);
        this.rays = determined(all);
        PlanObservations plan = new PlanObservations(job, setups, datum, unknowns);
        HeightObservations heights = new HeightObservations(job, unknowns);
        plan.observe(rays);
        List<ReferencePair> between = references.stream()
                .filter(pair -> unknowns.places().containsKey(job.trueName(pair.one()))
                        && unknowns.places().containsKey(job.trueName(pair.other())))
                .toList();
        between.forEach(plan::observe);
        heights.observe(
                rays, between.stream().filter(pair -> pair.rise().isPresent()).toList(), levelled());
        if (datum.observed()) {
            unknowns.places()
                    .keySet()
                    .forEach(mark -> coordinates.of(mark).forEach(seen -> {
                        plan.observe(mark, seen);
                        heights.observe(mark, seen, datum.elevations().contains(mark));
                    }));
        }
    }

    /** The marks whose elevations are held or observed. */
    private Set<String> levelled() {
        Set<String> levelled = new HashSet<>(datum.elevations());
        if (datum.observed()) {
            rays.stream()
                    .flatMap(ray -> Stream.of(ray.from(), ray.to()))
                    .filter(mark -> coordinates.of(mark).stream()
                            .anyMatch(c -> c.at().elevation().isPresent()))
                    .forEach(levelled::add);
        }
        return levelled;
    }

    /** Without the rays to marks that fewer than two observations reach: those would have no place. */
    private List<Ray> determined(List<Ray> all) {
        List<Ray> left = new ArrayList<>(all);
        boolean changed = true;
        while (changed) {
            Map<String, Integer> counts = new HashMap<>();
            for (Ray ray : left) {
                counts.merge(ray.from(), ray.inPlan(), (a, b) -> a + b);
                counts.merge(ray.to(), ray.inPlan(), (a, b) -> a + b);
            }
            changed = left.removeIf(ray -> isLoose(ray.from(), counts) || isLoose(ray.to(), counts));
        }
        return left;
    }

    private boolean isLoose(String mark, Map<String, Integer> counts) {
        boolean observed = datum.observed() && !coordinates.of(mark).isEmpty();
        boolean turns = datum.turn().filter(mark::equals).isPresent();
        return !datum.plan().contains(mark) && !observed && counts.get(mark) < (turns ? 1 : 2);
    }

    /** Whether nothing is sought. */
    boolean isEmpty() {
        return plan().isEmpty() || unknowns.places().values().stream().allMatch(p -> p.north() == NumberedPlace.HELD);
    }

    /** Adjusts the plan, and the elevations where there are any to find. */
    void adjust() throws RankDefect, NotConverging {
        double[][] at = unknowns.nodes();
        for (Part part : parts()) {
            part.adjust(at);
        }
    }

    /** The plan, and the elevations where there are any to find. */
    List<Part> parts() {
        return heights().isEmpty() ? List.of(plan()) : List.of(plan(), heights());
    }

    Part plan() {
        return unknowns.plan();
    }

    Part heights() {
        return unknowns.heights();
    }

    /** Coordinates are counted from here. */
    Position origin() {
        return unknowns.origin();
    }

    /** The places that take part. */
    Map<String, NumberedPlace> places() {
        return unknowns.places();
    }

    /** The number of each elevation that is sought. */
    Map<String, Integer> levels() {
        return unknowns.levels();
    }

    /** The marks whose elevations do not move. */
    Set<String> heldElevations() {
        return datum.elevations();
    }

    /** The elevation of a mark before the adjustment. */
    double carriedElevation(String mark) {
        return unknowns.carried(mark).elevation().orElse(0);
    }

    /** What the adjustment says. */
    NetworkReport report() {
        return new NetworkReport(unknowns, rays);
    }

    /** What may be wrong, one at a time. */
    Hypotheses hypotheses() {
        return new Hypotheses(plan(), heights(), unknowns.places(), unknowns.levels());
    }

    /** Every single fault, tried. */
    SingleFaults faults(DoubleConsumer progress) {
        return new SingleFaults(plan(), heights(), unknowns.places(), unknowns.levels(), progress);
    }
}
