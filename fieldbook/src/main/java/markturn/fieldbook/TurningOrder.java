package markturn.fieldbook;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.turning.CircleStart;
import markturn.survey.turning.PointingOrder;

/**
 * What is turned at a setup: the targets in the order of the round, each with what stands on it, how many sets, after which school.
 *
 * @param distances how many times the distance is measured at each pointing, 1 or more
 * @param closedSets half-sets that were closed after a break
 * @param keyedIn what the instrument has keyed in while it shows its distances; empty: the right values
 */
public record TurningOrder(
        int sets,
        List<Aim> aims,
        PointingOrder.School school,
        CircleStart circleStart,
        int distances,
        Set<Integer> closedSets,
        Optional<Reading.Applied> keyedIn) {
    public static final int MOST_DISTANCES = 9;

    public TurningOrder {
        aims = List.copyOf(aims);
        closedSets = Set.copyOf(closedSets);
    }

    /** The usual order, the circle as it falls. */
    public TurningOrder(int sets, List<Aim> aims) {
        this(sets, aims, PointingOrder.School.RETURNING, CircleStart.AS_IT_FALLS, 1, Set.of(), Optional.empty());
    }

    /**
     * One target of the round.
     *
     * @param centringStdDev of its support where it differs from its reflector's, metres
     */
    public record Aim(
            String target,
            Reading.Role role,
            String reflector,
            Optional<MeasuredHeight> height,
            OptionalDouble centringStdDev) {
        /** Centred as its reflector usually is. */
        public Aim(String target, Reading.Role role, String reflector, Optional<MeasuredHeight> height) {
            this(target, role, reflector, height, OptionalDouble.empty());
        }
    }

    /** A typed reading with what the instrument had keyed in when it showed the distance. */
    public Reading asShown(Reading typed) {
        return typed.origin() == Reading.Origin.TYPED && typed.slope().isPresent()
                ? keyedIn.map(typed::withApplied).orElse(typed)
                : typed;
    }

    /** The order of pointings this makes, the targets as they are listed. */
    public PointingOrder pointings() {
        return pointings(aims.stream().map(Aim::target).toList());
    }

    /** The same with its targets in another order, clockwise for rounds. */
    public PointingOrder pointings(List<String> targets) {
        return new PointingOrder(targets, sets, school, closedSets);
    }

    /** The aim at that target; empty where it is not in the round. */
    public Optional<Aim> aim(String target) {
        return aims.stream().filter(a -> a.target().equals(target)).findFirst();
    }

    /** The same without that target. */
    public TurningOrder without(String target) {
        return new TurningOrder(
                sets,
                aims.stream().filter(a -> !a.target().equals(target)).toList(),
                school,
                circleStart,
                distances,
                closedSets,
                keyedIn);
    }

    /** The same with one target more. */
    public TurningOrder plus(Aim aim) {
        List<Aim> longer = new ArrayList<>(aims);
        longer.add(aim);
        return new TurningOrder(sets, longer, school, circleStart, distances, closedSets, keyedIn);
    }

    /** The same with one set more, at most 99. */
    public TurningOrder oneSetMore() {
        int more = Math.min(PointingOrder.MOST_SETS, sets + 1);
        return new TurningOrder(more, aims, school, circleStart, distances, closedSets, keyedIn);
    }

    /** The same with a half-set closed; another set is turned in its place. */
    public TurningOrder closing(int set) {
        Set<Integer> closed = new HashSet<>(closedSets);
        closed.add(set);
        return new TurningOrder(sets, aims, school, circleStart, distances, closed, keyedIn);
    }

    /** What an imported setup shows of its order: the targets of its sets as they were first sighted, or at least its backsights. */
    static TurningOrder shown(Job job, Setup setup) {
        Map<String, Aim> aims = new LinkedHashMap<>();
        int last = 0;
        for (Reading reading : setup.readings()) {
            if (reading.set().isPresent()) {
                last = Math.max(last, reading.set().getAsInt());
                aims.putIfAbsent(
                        reading.target(),
                        new Aim(reading.target(), reading.role(), reading.reflector(), reading.targetHeight()));
            }
        }
        for (String sight : setup.orientation().sights()) {
            aims.putIfAbsent(sight, new Aim(sight, Reading.Role.BACKSIGHT, Reflector.REFLECTORLESS, Optional.empty()));
        }
        int wanted = (int) job.classOfWork().limit(Limit.SETS);
        return new TurningOrder(Math.max(last, wanted), List.copyOf(aims.values()));
    }
}
