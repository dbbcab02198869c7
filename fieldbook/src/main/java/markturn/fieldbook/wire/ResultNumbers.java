package markturn.fieldbook.wire;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Units;

/** Puts numbers into a result file in the units of its job; one that does not exist is null. */
final class ResultNumbers {
    private final Units units;

    ResultNumbers(Units units) {
        this.units = units;
    }

    static <T> void fill(Items to, List<T> all, Function<T, Fields> node) {
        all.forEach(each -> to.add(node.apply(each)));
    }

    static void put(Fields to, String key, OptionalDouble value, double unit) {
        if (value.isEmpty()) {
            to.put(key, Tree.UNKNOWN);
            return;
        }
        double amount = value.getAsDouble() / unit;
        if (!Double.isFinite(amount)) {
            throw new IllegalStateException(key + " came out as " + amount);
        }
        to.put(key, amount);
    }

    void length(Fields to, String key, OptionalDouble metres) {
        put(to, key, metres, units.length().metres());
    }

    void small(Fields to, String key, OptionalDouble radians) {
        put(to, key, radians, units.angle().small());
    }

    static void plain(Fields to, String key, OptionalDouble value) {
        put(to, key, value, 1);
    }

    void smalls(Fields to, String key, List<OptionalDouble> radians) {
        Items list = to.putItems(key);
        for (OptionalDouble each : radians) {
            if (each.isPresent()) {
                list.add(each.getAsDouble() / units.angle().small());
            } else {
                list.add(Tree.UNKNOWN);
            }
        }
    }

    void angle(Fields to, String key, OptionalDouble radians) {
        if (radians.isEmpty()) {
            to.put(key, Tree.UNKNOWN);
        } else {
            to.put(key, units.angle().write(radians.getAsDouble(), units.angle() == AngleUnit.DMS ? 6 : 10));
        }
    }

    static void text(Fields to, String key, String value) {
        if (value.isEmpty()) {
            to.put(key, Tree.UNKNOWN);
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
