package markturn.web.fieldbook;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.formats.Pieces;
import markturn.survey.job.Reading;
import markturn.survey.turning.CircleStart;
import markturn.survey.turning.PointingOrder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A turning order as an entry. Circle and centring are kept in radians and metres, as nobody ever typed them in this form. */
public final class TurningOrders {
    private TurningOrders() {}

    /** The payload that books this order for a setup. */
    public static ObjectNode payload(String setup, TurningOrder order, Pieces pieces) {
        ObjectNode payload = JsonNodeFactory.instance
                .objectNode()
                .put("setup", setup)
                .put("sets", order.sets())
                .put("school", order.school().key())
                .put("stepped", order.circleStart().stepped())
                .put("distances", order.distances());
        order.circleStart().first().ifPresent(start -> payload.put("circleStart", start));
        order.keyedIn().ifPresent(keyed -> {
            ObjectNode node = payload.putObject("keyedIn");
            keyed.constant().ifPresent(c -> node.put("constant", c));
            keyed.ppm().ifPresent(p -> node.put("ppm", p));
        });
        ArrayNode closed = payload.putArray("closedSets");
        order.closedSets().forEach(closed::add);
        ArrayNode aims = payload.putArray("aims");
        for (TurningOrder.Aim aim : order.aims()) {
            ObjectNode node = aims.addObject()
                    .put("target", aim.target())
                    .put("role", aim.role().name())
                    .put("reflector", aim.reflector());
            aim.height().ifPresent(h -> node.set("height", pieces.write(h)));
            aim.centringStdDev().ifPresent(c -> node.put("centring", c));
        }
        return payload;
    }

    /** The order that a payload books. */
    static TurningOrder read(JsonNode payload, Pieces pieces) {
        List<TurningOrder.Aim> aims = new ArrayList<>();
        for (JsonNode aim : payload.get("aims")) {
            aims.add(new TurningOrder.Aim(
                    aim.get("target").asString(),
                    Reading.Role.valueOf(aim.get("role").asString()),
                    aim.get("reflector").asString(),
                    aim.hasNonNull("height") ? Optional.of(pieces.height(aim.get("height"))) : Optional.empty(),
                    number(aim, "centring")));
        }
        Set<Integer> closed = new HashSet<>();
        payload.path("closedSets").forEach(set -> closed.add(set.intValue()));
        return new TurningOrder(
                payload.get("sets").intValue(),
                aims,
                PointingOrder.School.of(payload.path("school").asString("")),
                new CircleStart(
                        number(payload, "circleStart"), payload.path("stepped").booleanValue(false)),
                payload.path("distances").intValue(1),
                closed,
                payload.hasNonNull("keyedIn")
                        ? Optional.of(new Reading.Applied(
                                number(payload.get("keyedIn"), "constant"), number(payload.get("keyedIn"), "ppm")))
                        : Optional.empty());
    }

    private static OptionalDouble number(JsonNode node, String key) {
        return node.hasNonNull(key) ? OptionalDouble.of(node.get(key).doubleValue()) : OptionalDouble.empty();
    }
}
