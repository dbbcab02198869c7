package markturn.web.fieldbook;

import markturn.formats.Pieces;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A turning order as an entry. */
public final class TurningOrders {
    private TurningOrders() {}

    /** The payload that books this order for a setup. */
    public static ObjectNode payload(String setup, TurningOrder order, Pieces pieces) {
        ObjectNode payload =
                JsonNodeFactory.instance.objectNode().put("setup", setup).put("sets", order.sets());
        ArrayNode aims = payload.putArray("aims");
        for (TurningOrder.Aim aim : order.aims()) {
            ObjectNode node = aims.addObject()
                    .put("target", aim.target())
                    .put("role", aim.role().name())
                    .put("reflector", aim.reflector());
            aim.height().ifPresent(h -> node.set("height", pieces.write(h)));
        }
        return payload;
    }
}
