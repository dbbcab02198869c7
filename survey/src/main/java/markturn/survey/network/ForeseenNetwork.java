package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Hidden;
import markturn.survey.result.Position;
import markturn.survey.result.SingleFault;

/**
 * A network before anything is observed: the same observations, weights and statistics as in {@link NetworkRun}, of sights that approximate
 * places give. What it says hangs on places and figures of the instruments alone, not on what will be read. After W. Baarda and E.
 * Grafarend: a network's precision and reliability are known before it is measured.
 *
 * @param why why it determines nothing, in the field's words; empty where it does
 * @param marks every mark that it would find, with its precision and the worst hidden error; without the latter where that was not asked
 * @param redundancy in plan: observations less unknowns
 * @param betrayed for each sight to a mark with coordinates: how far that mark can be off before its test shows it
 * @param closures for each control mark: how well the others and the sights alone would find it
 */
public record ForeseenNetwork(
        Optional<String> why, List<Adjusted> marks, int redundancy, List<Betrayed> betrayed, List<Closure> closures) {
    private static final Hidden NOT_ASKED = new Hidden(0, Optional.empty(), Optional.empty());

    /** How much is asked of it. */
    public enum Depth {
        /** Precision alone: what is shown while a finger drags. */
        PRECISION,
        /** Also what errors would stay hidden, and how the figure would close. */
        ALL
    }

    /**
     * The smallest error that a sight would betray, in its worst way.
     *
     * @param detectable metres; empty where some error of any size would stay hidden
     */
    public record Betrayed(String setup, String mark, OptionalDouble detectable) {}

    /**
     * A control mark as everything else would find it: how far the figure may miss it by chance.
     *
     * @param foreseen with its covariance; empty where nothing but itself would find it
     */
    public record Closure(String mark, Optional<Position> foreseen) {}

    public ForeseenNetwork {
        marks = List.copyOf(marks);
        betrayed = List.copyOf(betrayed);
        closures = List.copyOf(closures);
    }

    /** A mark or a free station; empty where it would not be found. */
    public Optional<Adjusted> mark(String name) {
        return marks.stream().filter(m -> m.name().equals(name)).findFirst();
    }

    /** Whether a network of the job would hold that mark as it is given. */
    public static boolean isHeld(Job job, String mark) {
        return NetworkRun.isHeld(job, mark);
    }

    /**
     * Foresees.
     *
     * @param job with the instruments and reflectors, its class and what it assumes of the earth
     * @param near where everything lies about, by true name
     * @param held of these the ones whose coordinates do not move
     * @param setups in any order; what they sight and is not among {@code near} is passed over
     */
    public static ForeseenNetwork of(
            Job job, Map<String, Position> near, Set<String> held, List<ForeseenSetup> setups, Depth depth) {
        List<Ray> rays = rays(job, near, setups);
        try {
            Problem problem = problem(job, near, held, setups, rays);
            if (problem.isEmpty()) {
                return nothing("no mark without coordinates is sighted: there is nothing to find");
            }
            problem.adjust();
            boolean all = depth == Depth.ALL;
            return new ForeseenNetwork(
                    Optional.empty(),
                    all ? problem.report().marks(problem.faults(share -> {})) : precision(problem),
                    problem.plan().adjustment().redundancy(),
                    all ? betrayed(problem, job) : List.of(),
                    all ? closures(job, near, held, setups, rays) : List.of());
        } catch (RankDefect undetermined) {
            return nothing("these sights do not determine every mark: sight one known mark more");
        } catch (NotConverging none) {
            return nothing("these places contradict each other");
        }
    }

    private static ForeseenNetwork nothing(String why) {
        return new ForeseenNetwork(Optional.of(why), List.of(), 0, List.of(), List.of());
    }

    private static Problem problem(
            Job job, Map<String, Position> near, Set<String> held, List<ForeseenSetup> setups, List<Ray> rays) {
        Set<String> levels = new HashSet<>(held);
        levels.removeIf(mark -> near.get(mark).elevation().isEmpty());
        List<Stood> stood = setups.stream().map(s -> Stood.bySights(s.name())).toList();
        return new Problem(
                job, stood, near, rays, job.references(), new Datum(held, Optional.empty(), false, levels, true));
    }

    private static List<Adjusted> precision(Problem problem) {
        List<Adjusted> marks = new ArrayList<>();
        problem.report().marks().forEach((name, at) -> marks.add(new Adjusted(name, at, NOT_ASKED, Optional.empty())));
        return marks;
    }

    /** What an error of each known mark would have to be, as the sights of each setup alone betray it. */
    private static List<Betrayed> betrayed(Problem problem, Job job) {
        List<Betrayed> betrayed = new ArrayList<>();
        List<Hypothesis> ofSights = problem.hypotheses().ofPlan((mark, what) -> {}).stream()
                .filter(h -> h.what().kind() == SingleFault.Kind.TARGET_CENTRING
                        && isControl(job, h.what().mark()))
                .toList();
        for (Hypothesis hypothesis : ofSights) {
            FaultTest trial = FaultTest.test(problem.plan().adjustment(), hypothesis);
            betrayed.add(new Betrayed(trial.what().setup(), trial.what().mark(), trial.detectableAnyWay()));
        }
        return betrayed;
    }

    private static boolean isControl(Job job, String mark) {
        return job.mark(mark).flatMap(Mark::given).isPresent();
    }

    private static List<Closure> closures(
            Job job, Map<String, Position> near, Set<String> held, List<ForeseenSetup> setups, List<Ray> rays) {
        Set<String> reached = new LinkedHashSet<>();
        rays.forEach(ray -> {
            reached.add(ray.from());
            reached.add(ray.to());
        });
        reached.removeIf(mark -> !held.contains(mark) && !isControl(job, mark));
        List<Closure> closures = new ArrayList<>();
        for (String mark : reached) {
            closures.add(new Closure(mark, withoutHolding(job, near, held, setups, rays, mark)));
        }
        return closures;
    }

    private static Optional<Position> withoutHolding(
            Job job,
            Map<String, Position> near,
            Set<String> held,
            List<ForeseenSetup> setups,
            List<Ray> rays,
            String mark) {
        Set<String> others = new LinkedHashSet<>(held);
        others.remove(mark);
        try {
            // Without coordinates of its own, held or observed.
            Job without = job.withMark(mark, m -> Mark.named(m.name(), m.kind()));
            Problem problem = problem(without, near, others, setups, rays);
            problem.adjust();
            return Optional.ofNullable(problem.report().marks().get(mark));
        } catch (RankDefect | NotConverging nothingElse) {
            return Optional.empty();
        }
    }

    private static List<Ray> rays(Job job, Map<String, Position> near, List<ForeseenSetup> setups) {
        List<Ray> rays = new ArrayList<>();
        Map<String, Reflector> reflectors = new LinkedHashMap<>();
        job.reflectors().forEach(reflector -> reflectors.put(reflector.name(), reflector));
        for (int i = 0; i < setups.size(); i++) {
            ForeseenSetup setup = setups.get(i);
            Position from = near.get(setup.station());
            for (ForeseenSetup.Target target : setup.targets()) {
                Position to = near.get(target.mark());
                if (from != null && to != null && !target.mark().equals(setup.station())) {
                    Reflector reflector = reflectors.getOrDefault(target.reflector(), Reflector.NONE);
                    rays.add(ray(job, i, setup, target, reflector, from, to));
                }
            }
        }
        return rays;
    }

    private static Ray ray(
            Job job,
            int number,
            ForeseenSetup setup,
            ForeseenSetup.Target target,
            Reflector reflector,
            Position from,
            Position to) {
        Instrument instrument = job.instrument(setup.instrument());
        Weights weights = new Weights(instrument, setup.isFree() ? 0 : instrument.centringStdDev(), job.earth());
        Weights ofTarget = new Weights(instrument, 0, job.earth());
        double length = Math.max(from.distanceTo(to), Weights.NEAREST);
        boolean levels = !job.planOnly()
                && target.isMeasured()
                && from.elevation().isPresent()
                && to.elevation().isPresent();
        double rise = levels ? to.elevation().getAsDouble() - from.elevation().getAsDouble() : 0;
        return new Ray(
                number,
                setup.name(),
                setup.station(),
                target.mark(),
                setup.instrument(),
                reflector.name(),
                false,
                weights.instrumentCentring(),
                OptionalDouble.of(from.azimuthTo(to)),
                Math.sqrt(ofTarget.direction(setup.sets(), reflector, length)),
                target.isMeasured() ? OptionalDouble.of(from.distanceTo(to)) : OptionalDouble.empty(),
                Math.sqrt(ofTarget.distance(setup.sets(), reflector, length)),
                false,
                levels ? OptionalDouble.of(rise) : OptionalDouble.empty(),
                Math.sqrt(weights.heightDifference(
                        setup.sets(), setup.sets(), reflector, length, Math.PI / 2 - Math.atan2(rise, length))),
                // A free station's own height goes into nothing but its elevation, which nobody wants.
                setup.isFree() ? 0 : instrument.heightStdDev());
    }
}
