package markturn.survey.turning;

import java.util.OptionalDouble;
import markturn.survey.angle.Angles;

/**
 * What the circle is to read on the first target of a set.
 *
 * @param first of set 1, radians; empty: as it falls
 * @param stepped whether it is turned on by 180°/n from set to set, so that errors of graduation spread over the circle
 */
public record CircleStart(OptionalDouble first, boolean stepped) {
    public static final CircleStart AS_IT_FALLS = new CircleStart(OptionalDouble.empty(), false);

    /** The circle on face left at the first target of a set; empty where it is left as it falls. */
    public OptionalDouble of(int set, int sets) {
        if (first.isEmpty()) {
            return first;
        }
        double step = stepped ? (set - 1) * Math.PI / Math.max(1, sets) : 0;
        return OptionalDouble.of(Angles.onCircle(first.getAsDouble() + step));
    }
}
