package markturn.formats;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Units;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Puts numbers into a result file in the units of its job; one that does not exist is null. */
final class ResultNumbers {
    private final Units units;

    ResultNumbers(Units units) {
        this.units = units;
    }

    static <T> void fill(ArrayNode to, List<T> all, Function<T, ObjectNode> node) {
        all.forEach(each -> to.add(node.apply(each)));
    }

    static void put(ObjectNode to, String key, OptionalDouble value, double unit) {
        if (value.isEmpty()) {
            to.putNull(key);
            return;
        }
        double amount = value.getAsDouble() / unit;
        if (!Double.isFinite(amount)) {
            throw new IllegalStateException(key + " came out as " + amount);
        }
        to.put(key, amount);
    }

    void length(ObjectNode to, String key, OptionalDouble metres) {
        put(to, key, metres, units.length().metres());
    }

    void small(ObjectNode to, String key, OptionalDouble radians) {
        put(to, key, radians, units.angle().small());
    }

    static void plain(ObjectNode to, String key, OptionalDouble value) {
        put(to, key, value, 1);
    }

    void smalls(ObjectNode to, String key, List<OptionalDouble> radians) {
        ArrayNode list = to.putArray(key);
        for (OptionalDouble each : radians) {
            if (each.isPresent()) {
                list.add(each.getAsDouble() / units.angle().small());
            } else {
                list.addNull();
            }
        }
    }

    void angle(ObjectNode to, String key, OptionalDouble radians) {
        if (radians.isEmpty()) {
            to.putNull(key);
        } else {
            to.put(key, units.angle().write(radians.getAsDouble(), units.angle() == AngleUnit.DMS ? 6 : 10));
        }
    }

    static void text(ObjectNode to, String key, String value) {
        if (value.isEmpty()) {
            to.putNull(key);
        } else {
            to.put(key, value);
        }
    }

    static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    static OptionalDouble root(OptionalDouble variance) {
        return variance.isPresent() ? of(Math.sqrt(variance.getAsDouble())) : variance;
    }
}
