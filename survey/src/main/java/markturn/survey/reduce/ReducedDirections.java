package markturn.survey.reduce;

import java.util.List;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.TreeMap;
import markturn.survey.angle.Angles;

/**
 * The directions of one target, set by set, from the circle's zero.
 *
 * @param bySet radians by set number
 * @param count what the mean rests on, single faces counted half
 * @param mean sets weighing equally, in [0, 2 pi); empty where no set holds the zero
 */
public record ReducedDirections(SortedMap<Integer, Double> bySet, double count, OptionalDouble mean) {
    static ReducedDirections of(SortedMap<Integer, Double> bySet, double count) {
        return new ReducedDirections(
                bySet,
                count,
                bySet.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Angles.mean(List.copyOf(bySet.values()))));
    }

    /** The same with something added to each, radians. */
    public ReducedDirections turned(double by) {
        if (by == 0) {
            return this;
        }
        SortedMap<Integer, Double> turned = new TreeMap<>();
        bySet.forEach((set, direction) -> turned.put(set, Angles.onCircle(direction + by)));
        return of(turned, count);
    }
}
