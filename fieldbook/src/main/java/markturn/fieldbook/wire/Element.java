package markturn.fieldbook.wire;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Circle;
import markturn.survey.job.Job;
import markturn.survey.job.Units;

/**
 * One place of a document that the schema has passed, with its path and the units it is written in. Lengths come out in metres, small
 * angles in radians. What the schema cannot see is added to the faults, and reading goes on with a stand-in.
 */
public final class Element {
    private final Tree node;
    private final String path;
    private final Units units;
    private final List<Fault> faults;

    public Element(Tree node, String path, Units units, List<Fault> faults) {
        this.node = node;
        this.path = path;
        this.units = units;
        this.faults = faults;
    }

    public String path() {
        return path;
    }

    public void fault(String key, String expected) {
        faults.add(new Fault(path + "." + key, shown(node.at(key)), expected));
    }

    /** A single value as a document shows it; empty for anything else. */
    private static String shown(Tree value) {
        if (value instanceof Tree.Text text) {
            return '"' + text.value() + '"';
        }
        return value instanceof Tree.Amount || value instanceof Tree.Flag
                ? value.plain().toString()
                : "";
    }

    public boolean has(String key) {
        return node.has(key);
    }

    public Element at(String key) {
        return new Element(node.at(key), path + "." + key, units, faults);
    }

    public Optional<Element> find(String key) {
        return has(key) ? Optional.of(at(key)) : Optional.empty();
    }

    public List<Element> list(String key) {
        List<Element> elements = new ArrayList<>();
        int index = 0;
        if (node.at(key) instanceof Tree.Items items) {
            for (Tree child : items) {
                elements.add(new Element(child, path + "." + key + "[" + index++ + "]", units, faults));
            }
        }
        return elements;
    }

    public boolean isText() {
        return node instanceof Tree.Text;
    }

    public String text() {
        return node instanceof Tree.Text text ? text.value() : "";
    }

    public String text(String key) {
        return node.text(key);
    }

    public Optional<String> optionalText(String key) {
        return has(key) ? Optional.of(text(key)) : Optional.empty();
    }

    /** A text that stands in thousands of readings, the name of a mark or a device: one and the same for all of them. */
    public String name(String key) {
        return text(key).intern();
    }

    /** The same where it may be missing. */
    public Optional<String> optionalName(String key) {
        return optionalText(key).map(String::intern);
    }

    public boolean flag(String key, boolean otherwise) {
        return node.at(key) instanceof Tree.Flag flag ? flag.value() : otherwise;
    }

    public OptionalInt integer(String key) {
        return node.at(key) instanceof Tree.Amount amount ? OptionalInt.of((int) amount.value()) : OptionalInt.empty();
    }

    private OptionalDouble scaled(String key, double unit) {
        return node.at(key) instanceof Tree.Amount amount
                ? OptionalDouble.of(amount.value() * unit)
                : OptionalDouble.empty();
    }

    public OptionalDouble plain(String key) {
        return scaled(key, 1);
    }

    public OptionalDouble length(String key) {
        return scaled(key, units.length().metres());
    }

    public OptionalDouble small(String key) {
        return scaled(key, units.angle().small());
    }

    public double length() {
        return node instanceof Tree.Amount amount
                ? amount.value() * units.length().metres()
                : 0;
    }

    /** The number itself; 0 where it is none. */
    public double plain() {
        return node instanceof Tree.Amount amount ? amount.value() : 0;
    }

    /** A whole job, with the units it says it is written in. */
    public Job job() {
        return JobReader.job(node, faults);
    }

    public Optional<Circle> circle(String key) {
        if (!has(key)) {
            return Optional.empty();
        }
        AngleUnit unit = units.angle();
        String written = text(key);
        try {
            return Optional.of(new Circle(unit.read(written), written));
        } catch (IllegalArgumentException wrong) {
            fault(key, wrong.getMessage());
            return Optional.of(new Circle(0, written));
        }
    }

    public Optional<Instant> instant(String key) {
        if (!has(key) || text(key).isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(Times.read(text(key)));
        } catch (DateTimeParseException wrong) {
            fault(key, "expected a time such as 2026-05-04T09:12:00Z");
            return Optional.empty();
        }
    }

    /** The constant of a closed list that carries this key; the schema has seen to it that there is one. */
    public <E extends Enum<E>> E oneOf(String key, E[] all, Function<E, String> keyOf) {
        String written = text(key);
        for (E each : all) {
            if (keyOf.apply(each).equals(written)) {
                return each;
            }
        }
        throw new IllegalStateException(path + "." + key + " passed the schema with " + written);
    }

    /** Plain values: text, number, boolean, list, map. */
    public Optional<Object> plainValue(String key) {
        return has(key) ? Optional.of(node.at(key).plain()) : Optional.empty();
    }
}
