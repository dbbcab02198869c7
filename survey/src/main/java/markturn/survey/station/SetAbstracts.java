package markturn.survey.station;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import markturn.survey.angle.Angles;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.result.SetAbstract;

/**
 * The abstract of sets: mean, residual of each set, standard deviation of one set and of the mean. Residual = mean minus set; with three
 * or more targets seen in every set each set's own mean residual is taken out first (the classical reduction of directions observed in
 * rounds; textbook).
 */
final class SetAbstracts {
    private static final OptionalDouble NOTHING = OptionalDouble.of(0);

    /** Lists that say nothing: there are thousands of single shots with five lists each, and most of these are the same few. */
    private static final Map<List<OptionalDouble>, List<OptionalDouble>> PLAIN = new ConcurrentHashMap<>();

    /** Of more, hardly two are the same. */
    private static final int FEW_SETS = 4;

    private static final int TARGETS_FOR_CLASSICAL_REDUCTION = 3;

    private final int lastSet;
    private final List<Integer> setsWithZero;
    private final Map<String, ReducedFix> firstFixes = new LinkedHashMap<>();

    private SetAbstracts(BookedSetup booked, List<ReducedFix> fixes) {
        this.lastSet =
                booked.readings().stream().mapToInt(b -> b.circle()).max().orElse(0);
        this.setsWithZero = List.copyOf(booked.zeros().keySet());
        fixes.forEach(fix -> firstFixes.putIfAbsent(fix.fix().target(), fix));
    }

    /** One abstract for each target, by its first fix. */
    static List<SetAbstract> of(BookedSetup booked, List<ReducedFix> fixes) {
        return new SetAbstracts(booked, fixes).abstracts();
    }

    /** The abstract of a single shot to a target without another fix. */
    static SetAbstract ofShot(BookedSetup booked, ReducedFix shot) {
        return new SetAbstracts(booked, List.of(shot)).abstractOf(shot, Map.of());
    }

    private List<SetAbstract> abstracts() {
        Map<Integer, Double> shifts = meanShifts();
        List<SetAbstract> abstracts = new ArrayList<>();
        firstFixes.values().forEach(fix -> abstracts.add(abstractOf(fix, isInEverySet(fix) ? shifts : Map.of())));
        return abstracts;
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

    private SetAbstract abstractOf(ReducedFix fix, Map<Integer, Double> shifts) {
        var directions = fix.directions().bySet();
        OptionalDouble direction = fix.directions().mean();
        List<OptionalDouble> residuals = bySet(set -> directions.containsKey(set)
                ? value(residual(fix, set) - shifts.getOrDefault(set, 0.0), NOTHING)
                : OptionalDouble.empty());
        int sets = directions.size();
        double squares = residuals.stream()
                .filter(OptionalDouble::isPresent)
                .mapToDouble(v -> v.getAsDouble() * v.getAsDouble())
                .sum();
        OptionalDouble stdDev = sets > 1 ? OptionalDouble.of(Math.sqrt(squares / (sets - 1))) : OptionalDouble.empty();
        return new SetAbstract(
                fix.fix(),
                sets,
                fix.directions().count(),
                direction,
                bySet(set ->
                        directions.containsKey(set) ? value(directions.get(set), direction) : OptionalDouble.empty()),
                residuals,
                stdDev,
                stdDev.isPresent() ? OptionalDouble.of(stdDev.getAsDouble() / Math.sqrt(sets)) : stdDev,
                bySet(means(fix, FaceMeans::collimation)),
                bySet(means(fix, FaceMeans::index)),
                bySet(means(fix, FaceMeans::slope)),
                fix.zenith(),
                fix.slope(),
                fix.horizontal(),
                fix.elevationDifference());
    }

    private static Function<Integer, OptionalDouble> means(ReducedFix fix, Function<FaceMeans, OptionalDouble> what) {
        return set -> {
            FaceMeans means = fix.fix().pointings().bySet().get(set);
            return means == null ? OptionalDouble.empty() : what.apply(means);
        };
    }

    /** A value, or another that is the same: of thousands of single shots nothing is kept twice. */
    private static OptionalDouble value(double value, OptionalDouble other) {
        OptionalDouble own = OptionalDouble.of(value);
        return own.equals(other) ? other : own;
    }

    private List<OptionalDouble> bySet(Function<Integer, OptionalDouble> value) {
        OptionalDouble[] list = new OptionalDouble[lastSet];
        for (int set = 1; set <= lastSet; set++) {
            list[set - 1] = value.apply(set);
        }
        List<OptionalDouble> all = List.of(list);
        boolean isPlain = lastSet <= FEW_SETS && all.stream().allMatch(v -> v.isEmpty() || v.equals(NOTHING));
        return isPlain ? PLAIN.computeIfAbsent(all, same -> same) : all;
    }
}
