package markturn.formats;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Circle;
import markturn.survey.job.Units;
import tools.jackson.databind.JsonNode;

/**
 * One place of a document that the schema has passed, with its path and the units it is written in. Lengths come out in metres, small
 * angles in radians. What the schema cannot see is added to the faults, and reading goes on with a stand-in.
 */
final class Element {
    private final JsonNode node;
    private final String path;
    private final Units units;
    private final List<Fault> faults;

    Element(JsonNode node, String path, Units units, List<Fault> faults) {
        this.node = node;
        this.path = path;
        this.units = units;
        this.faults = faults;
    }

    String path() {
        return path;
    }

    void fault(String key, String expected) {
        JsonNode at = node.path(key);
        faults.add(new Fault(path + "." + key, at.isMissingNode() || at.isContainer() ? "" : at.toString(), expected));
    }

    boolean has(String key) {
        return node.hasNonNull(key);
    }

    Element at(String key) {
        return new Element(node.path(key), path + "." + key, units, faults);
    }

    Optional<Element> find(String key) {
        return has(key) ? Optional.of(at(key)) : Optional.empty();
    }

    List<Element> list(String key) {
        List<Element> elements = new ArrayList<>();
        int index = 0;
        for (JsonNode child : node.path(key)) {
            elements.add(new Element(child, path + "." + key + "[" + index++ + "]", units, faults));
        }
        return elements;
    }

    boolean isText() {
        return node.isString();
    }

    String text() {
        return node.asString();
    }

    String text(String key) {
        return node.path(key).asString("");
    }

    Optional<String> optionalText(String key) {
        return has(key) ? Optional.of(text(key)) : Optional.empty();
    }

    boolean flag(String key, boolean otherwise) {
        return has(key) ? node.get(key).booleanValue() : otherwise;
    }

    OptionalInt integer(String key) {
        return has(key) ? OptionalInt.of(node.get(key).intValue()) : OptionalInt.empty();
    }

    private OptionalDouble scaled(String key, double unit) {
        return has(key) ? OptionalDouble.of(node.get(key).doubleValue() * unit) : OptionalDouble.empty();
    }

    OptionalDouble plain(String key) {
        return scaled(key, 1);
    }

    OptionalDouble length(String key) {
        return scaled(key, units.length().metres());
    }

    OptionalDouble small(String key) {
        return scaled(key, units.angle().small());
    }

    double length() {
        return node.doubleValue() * units.length().metres();
    }

    Optional<Circle> circle(String key) {
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

    Optional<Instant> instant(String key) {
        if (!has(key) || text(key).isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(OffsetDateTime.parse(text(key)).toInstant());
        } catch (DateTimeParseException wrong) {
            fault(key, "expected a time such as 2026-05-04T09:12:00Z");
            return Optional.empty();
        }
    }

    /** The constant of a closed list that carries this key; the schema has seen to it that there is one. */
    <E extends Enum<E>> E oneOf(String key, E[] all, Function<E, String> keyOf) {
        String written = text(key);
        for (E each : all) {
            if (keyOf.apply(each).equals(written)) {
                return each;
            }
        }
        throw new IllegalStateException(path + "." + key + " passed the schema with " + written);
    }

    /** Plain values: text, number, boolean, list, map. */
    Optional<Object> plainValue(String key) {
        return has(key) ? Optional.of(StrictJson.MAPPER.convertValue(node.get(key), Object.class)) : Optional.empty();
    }
}
