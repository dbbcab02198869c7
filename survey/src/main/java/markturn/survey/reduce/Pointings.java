package markturn.survey.reduce;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import markturn.survey.angle.Angles;
import markturn.survey.job.Reading;

/**
 * Standing readings that belong together, set by set. Sets weigh equally. How much counts is kept per quantity: a full set 1, a single
 * face one half; a distance 1 for each set that has one.
 */
public final class Pointings {
    private final List<BookedReading> readings;
    private final Map<Integer, FaceMeans> bySet;
    private final boolean onBothFaces;

    Pointings(List<BookedReading> readings, Function<Reading, OptionalDouble> correctedSlope) {
        this.readings = List.copyOf(readings);
        SortedMap<Integer, List<BookedReading>> sorted = new TreeMap<>();
        for (BookedReading reading : readings) {
            sorted.computeIfAbsent(reading.circle(), set -> new java.util.ArrayList<>())
                    .add(reading);
        }
        SortedMap<Integer, FaceMeans> means = new TreeMap<>();
        sorted.forEach((set, inSet) -> means.put(set, FaceMeans.of(inSet, correctedSlope)));
        // A located point has one set, and a job has thousands of them: for those the smallest map there is.
        this.bySet = means.size() == 1 ? Map.copyOf(means) : Collections.unmodifiableMap(means);
        this.onBothFaces = bySet.values().stream().anyMatch(FaceMeans::bothFaces);
    }

    /** Whether the circle was read on both faces in any set. */
    public boolean isOnBothFaces() {
        return onBothFaces;
    }

    /** The readings, in the order of the book. */
    public List<BookedReading> readings() {
        return readings;
    }

    /** Face means by set number, ascending. */
    public Map<Integer, FaceMeans> bySet() {
        return bySet;
    }

    /** Zenith angle: mean of the sets' means, radians; empty where none was read. */
    public OptionalDouble zenith() {
        return average(FaceMeans::zenith);
    }

    /** Corrected slope distance: mean over the sets, metres; empty where none was measured. */
    public OptionalDouble slope() {
        return average(FaceMeans::slope);
    }

    /** What one set alone has is handed on as it is: nothing is kept twice. */
    private OptionalDouble average(Function<FaceMeans, OptionalDouble> what) {
        List<OptionalDouble> all = bySet.values().stream()
                .map(what)
                .filter(OptionalDouble::isPresent)
                .toList();
        return all.size() == 1
                ? all.get(0)
                : all.stream().mapToDouble(OptionalDouble::getAsDouble).average();
    }

    /** How many sets the zenith angle rests on, single faces counted half. */
    public double zenithCount() {
        return bySet.values().stream()
                .filter(m -> m.zenith().isPresent())
                .mapToDouble(m -> m.bothZeniths() ? 1 : 0.5)
                .sum();
    }

    /** How many sets hold a distance. */
    public double distanceCount() {
        return bySet.values().stream().filter(m -> m.slope().isPresent()).count();
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
