package markturn.survey.reduce;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import markturn.survey.angle.Angles;
import markturn.survey.job.Reading;

/**
 * The means of pointings, set by set. Sets weigh equally. How much counts is kept per quantity: a full set 1, a single face one half; a
 * distance 1 for each set that has one.
 *
 * @param bySet face means by set number, ascending
 */
public record SetMeans(SortedMap<Integer, FaceMeans> bySet) {
    /** Means of standing readings that belong together. */
    static SetMeans of(List<BookedReading> readings) {
        SortedMap<Integer, FaceMeans> means = new TreeMap<>();
        if (isOnOneCircle(readings)) {
            means.put(readings.get(0).circle(), FaceMeans.of(readings));
            return new SetMeans(means);
        }
        SortedMap<Integer, List<BookedReading>> sorted = new TreeMap<>();
        for (BookedReading reading : readings) {
            sorted.computeIfAbsent(reading.circle(), set -> new ArrayList<>()).add(reading);
        }
        sorted.forEach((set, inSet) -> means.put(set, FaceMeans.of(inSet)));
        return new SetMeans(means);
    }

    private static boolean isOnOneCircle(List<BookedReading> readings) {
        for (BookedReading reading : readings) {
            if (reading.circle() != readings.get(0).circle()) {
                return false;
            }
        }
        return !readings.isEmpty();
    }

    /** Something of each set from 1 to the last; empty where a set has no means. */
    public List<OptionalDouble> bySet(int last, Function<FaceMeans, OptionalDouble> what) {
        List<OptionalDouble> values = new ArrayList<>();
        for (int set = 1; set <= last; set++) {
            values.add(bySet.containsKey(set) ? what.apply(bySet.get(set)) : OptionalDouble.empty());
        }
        return List.copyOf(values);
    }

    /** Zenith angle: mean of the sets' means, radians; empty where none was read. */
    public OptionalDouble zenith() {
        return average(FaceMeans::zenith);
    }

    /** Corrected slope distance: mean over the sets, metres; empty where none was measured. */
    public OptionalDouble slope() {
        return average(FaceMeans::slope);
    }

    private OptionalDouble average(Function<FaceMeans, OptionalDouble> what) {
        if (bySet.size() == 1) {
            return what.apply(bySet.get(bySet.firstKey()));
        }
        return bySet.values().stream()
                .map(what)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .average();
    }

    /** How many sets the zenith angle rests on, single faces counted half. */
    public double zenithCount() {
        double count = 0;
        for (FaceMeans means : bySet.values()) {
            count += means.zenith().isEmpty() ? 0 : means.bothZeniths() ? 1 : 0.5;
        }
        return count;
    }

    /** How many sets hold a distance. */
    public double distanceCount() {
        double count = 0;
        for (FaceMeans means : bySet.values()) {
            count += means.slope().isPresent() ? 1 : 0;
        }
        return count;
    }

    /**
     * Directions reduced set by set to the zero of their circle.
     *
     * @param zeros the zero direction of each set that has one
     */
    public ReducedDirections reducedTo(SortedMap<Integer, Double> zeros) {
        SortedMap<Integer, Double> reduced = new TreeMap<>();
        double count = 0;
        for (var entry : bySet.entrySet()) {
            Double zero = zeros.get(entry.getKey());
            if (zero != null) {
                reduced.put(entry.getKey(), Angles.onCircle(entry.getValue().direction() - zero));
                count += entry.getValue().bothFaces() ? 1 : 0.5;
            }
        }
        return ReducedDirections.of(reduced, count);
    }

    /**
     * The mean over the sets of one face alone, each reduced to its circle's zero; empty where that face was never read on a circle that
     * has a zero.
     */
    public OptionalDouble reducedOnFace(Reading.Face face, SortedMap<Integer, Double> zeros) {
        List<Double> reduced = bySet.entrySet().stream()
                .filter(e -> zeros.containsKey(e.getKey())
                        && e.getValue().onFace(face).isPresent())
                .map(e -> Angles.onCircle(e.getValue().onFace(face).getAsDouble() - zeros.get(e.getKey())))
                .toList();
        return reduced.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Angles.mean(reduced));
    }
}
