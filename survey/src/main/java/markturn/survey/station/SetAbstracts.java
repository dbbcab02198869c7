package markturn.survey.station;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import markturn.survey.angle.Angles;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.SetMeans;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;
import markturn.survey.result.ShotAbstract;
import markturn.survey.result.TurnedAbstract;

/**
 * The abstract of sets: mean, residual of each set, standard deviation of one set and of the mean. Residual = mean minus set; with three
 * or more targets seen in every set each set's own mean residual is taken out first (the classical reduction of directions observed in
 * rounds; textbook).
 */
final class SetAbstracts {
    private static final int TARGETS_FOR_CLASSICAL_REDUCTION = 3;

    private final int lastSet;
    private final List<Integer> setsWithZero;
    private final Map<String, ReducedFix> firstFixes = new LinkedHashMap<>();
    private final Map<String, Shot> firstShots = new HashMap<>();

    private SetAbstracts(BookedSetup booked, List<ReducedFix> fixes, List<Shot> shots) {
        this.lastSet = lastSet(booked);
        this.setsWithZero = List.copyOf(booked.zeros().keySet());
        fixes.forEach(fix -> firstFixes.putIfAbsent(fix.fix().target(), fix));
        shots.forEach(shot -> firstShots.putIfAbsent(shot.fix().target(), shot));
    }

    /**
     * One abstract for each target, by its first fix.
     *
     * @param shots what the fixes give, in the same order
     */
    static List<SetAbstract> of(BookedSetup booked, List<ReducedFix> fixes, List<Shot> shots) {
        return new SetAbstracts(booked, fixes, shots).abstracts();
    }

    /** The abstract of a single shot to a target without another fix. */
    static SetAbstract ofShot(BookedSetup booked, Shot shot) {
        return new ShotAbstract(shot, lastSet(booked));
    }

    /** The last set of which a reading stands: the lists of every target run to it. */
    static int lastSet(BookedSetup booked) {
        int last = 0;
        for (BookedReading reading : booked.readings()) {
            last = Math.max(last, reading.circle());
        }
        return last;
    }

    private List<SetAbstract> abstracts() {
        Map<Integer, Double> shifts = meanShifts();
        List<SetAbstract> abstracts = new ArrayList<>();
        for (ReducedFix fix : firstFixes.values()) {
            abstracts.add(
                    fix.fix().single()
                            ? new ShotAbstract(firstShots.get(fix.fix().target()), lastSet)
                            : turned(fix, isInEverySet(fix) ? shifts : Map.of()));
        }
        return List.copyOf(abstracts);
    }

    private boolean isInEverySet(ReducedFix fix) {
        return !fix.fix().single() && fix.directions().bySet().keySet().containsAll(setsWithZero);
    }

    private Map<Integer, Double> meanShifts() {
        List<ReducedFix> complete = firstFixes.values().stream()
                .filter(f -> isInEverySet(f) && f.directions().mean().isPresent())
                .toList();
        Map<Integer, Double> shifts = new LinkedHashMap<>();
        if (complete.size() >= TARGETS_FOR_CLASSICAL_REDUCTION) {
            for (int set : setsWithZero) {
                shifts.put(
                        set,
                        complete.stream()
                                .mapToDouble(f -> residual(f, set))
                                .average()
                                .orElseThrow());
            }
        }
        return shifts;
    }

    private static double residual(ReducedFix fix, int set) {
        return Angles.shortWay(
                fix.directions().mean().orElseThrow() - fix.directions().bySet().get(set));
    }

    private SetAbstract turned(ReducedFix fix, Map<Integer, Double> shifts) {
        var directions = fix.directions().bySet();
        OptionalDouble direction = fix.directions().mean();
        List<OptionalDouble> residuals = bySet(set -> directions.containsKey(set)
                ? OptionalDouble.of(residual(fix, set) - shifts.getOrDefault(set, 0.0))
                : OptionalDouble.empty());
        SetMeans means = fix.fix().pointings().means();
        int sets = directions.size();
        double squares = residuals.stream()
                .filter(OptionalDouble::isPresent)
                .mapToDouble(v -> v.getAsDouble() * v.getAsDouble())
                .sum();
        OptionalDouble stdDev = sets > 1 ? OptionalDouble.of(Math.sqrt(squares / (sets - 1))) : OptionalDouble.empty();
        return new TurnedAbstract(
                fix.fix(),
                sets,
                fix.directions().count(),
                direction,
                bySet(set ->
                        directions.containsKey(set) ? OptionalDouble.of(directions.get(set)) : OptionalDouble.empty()),
                residuals,
                stdDev,
                stdDev.isPresent() ? OptionalDouble.of(stdDev.getAsDouble() / Math.sqrt(sets)) : stdDev,
                means.bySet(lastSet, FaceMeans::collimation),
                means.bySet(lastSet, FaceMeans::index),
                means.bySet(lastSet, FaceMeans::slope),
                fix.zenith(),
                fix.slope(),
                fix.horizontal(),
                fix.elevationDifference());
    }

    private List<OptionalDouble> bySet(IntFunction<OptionalDouble> value) {
        return IntStream.rangeClosed(1, lastSet).mapToObj(value).toList();
    }
}
