package markturn.survey.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.RankDefect;
import markturn.survey.chance.Distributions;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredNetwork.Test;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SingleFault;
import markturn.survey.result.Suspect;

/**
 * A traverse as a network of its own: every sight between its stations, and to the fixed marks that orient them; start and fixed marks
 * held. A check on another mark tests and takes no part.
 *
 * @param stations where its stations lie, by true name; empty where the sights do not determine them
 * @param suspects what, wrong alone, would let it close, the best first; empty where its misfit is chance
 * @param levels the same for its elevations
 */
public record Figure(Map<String, Position> stations, List<Suspect> suspects, List<Suspect> levels) {
    private static final double ONE_IN_A_HUNDRED = 0.01;

    /** So many are looked at closely. */
    private static final int MOST = 24;

    /** A suspect that leaves more than this beyond the best, weighted squares, explains it worse: chance does so once in a hundred. */
    private static final double WORSE = 6.63;

    /** How long a traverse may be for its suspects to be looked for. */
    private static final int MOST_UNKNOWNS = 600;

    /**
     * Adjusts a traverse.
     *
     * @param route true names of its stations
     * @param near where its stations lie about, by true name, and every fixed mark
     */
    public static Figure of(
            Job job,
            List<MeasuredSetup> setups,
            List<String> route,
            Map<String, Position> near,
            Predicate<String> isFixed) {
        Problem problem = problem(job, setups, route, near, isFixed);
        try {
            if (problem.isEmpty()) {
                return none();
            }
            problem.adjust();
            Map<String, Position> stations = new HashMap<>();
            problem.report().marks().forEach((mark, at) -> stations.put(mark, at));
            Hypotheses hypotheses = problem.hypotheses();
            return new Figure(
                    stations,
                    suspects(problem.plan(), hypotheses.ofTraverse()),
                    problem.heights().isAdjusted()
                            ? suspects(problem.heights(), hypotheses.ofHeights((mark, what) -> {}))
                            : List.of());
        } catch (RankDefect | NotConverging undetermined) {
            return none();
        }
    }

    /** What is adjusted: the sights that take part, start and fixed marks held. */
    static Problem problem(
            Job job,
            List<MeasuredSetup> setups,
            List<String> route,
            Map<String, Position> near,
            Predicate<String> isFixed) {
        List<Ray> rays = Rays.of(job, setups, near).stream()
                .filter(ray -> route.contains(ray.from()) && ray.direction().isPresent())
                .filter(ray -> route.contains(ray.to()) || ray.backsight() && isFixed.test(ray.to()))
                .toList();
        Set<String> held = new HashSet<>();
        near.keySet().stream()
                .filter(mark -> isFixed.test(mark) || mark.equals(route.get(0)))
                .forEach(held::add);
        Set<String> levels = new HashSet<>(held);
        levels.removeIf(mark -> near.get(mark).elevation().isEmpty());
        return new Problem(
                job, Stood.of(setups), near, rays, List.of(), new Datum(held, Optional.empty(), false, levels, false));
    }

    private static Figure none() {
        return new Figure(Map.of(), List.of(), List.of());
    }

    private static List<Suspect> suspects(Part part, List<Hypothesis> hypotheses) {
        Test test = NetworkRun.test(List.of(part));
        if (test.accepted() || part.unknowns() > MOST_UNKNOWNS) {
            return List.of();
        }
        List<FaultTest> trials = hypotheses.stream()
                .filter(h -> h.what().kind() != SingleFault.Kind.CONTROL_ELEVATION)
                .map(h -> new FaultTest(part.adjustment(), h))
                .filter(trial -> trial.fault().filter(SingleFault::isNoChance).isPresent())
                .sorted(Comparator.comparingDouble(
                                (FaultTest trial) -> trial.fault().get().timesLimit())
                        .reversed())
                .limit(MOST)
                .toList();
        List<Closed> closed = new ArrayList<>();
        for (FaultTest trial : trials) {
            closed(part, trial).ifPresent(closed::add);
        }
        if (closed.isEmpty()) {
            return List.of();
        }
        Closed best = closed.stream()
                .min(Comparator.comparingDouble(c -> c.adjustment().squares()))
                .get();
        double before = part.adjustment().squares();
        return closed.stream()
                .filter(c -> c.adjustment().squares() <= best.adjustment().squares() + WORSE
                        || c.trial().likeness(best.trial()) >= Suspect.ALIKE)
                .sorted(Comparator.comparingDouble(c -> c.adjustment().squares()))
                .map(c -> c.suspect(before, best.trial()))
                .toList();
    }

    /** The figure adjusted with one thing wrong in it. */
    private record Closed(FaultTest trial, Adjustment adjustment, int fault) {
        Suspect suspect(double before, FaultTest best) {
            double squares = adjustment.squares();
            int redundancy = adjustment.redundancy();
            return new Suspect(
                    trial.what(),
                    adjustment.unknown(fault),
                    Math.sqrt(adjustment.covariance(fault, fault)),
                    1 - squares / before,
                    redundancy > 0 ? squares / redundancy : 0,
                    redundancy < 1 || squares <= Distributions.chiSquare(redundancy, ONE_IN_A_HUNDRED),
                    trial.likeness(best));
        }
    }

    private static Optional<Closed> closed(Part part, FaultTest trial) {
        try {
            Adjustment adjustment = part.with(trial.hypothesis().ways().get(0));
            return Optional.of(new Closed(trial, adjustment, part.unknowns()));
        } catch (RankDefect | NotConverging nothing) {
            // Nothing else tells this fault from the unknowns: it explains nothing.
            return Optional.empty();
        }
    }
}
