package markturn.web.frame;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import markturn.formats.Pieces;
import markturn.survey.job.Decision;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Payloads of entries as the pages book them. */
public final class Payload {
    private Payload() {}

    /** A key for one posting of one form. */
    public static String key() {
        return UUID.randomUUID().toString();
    }

    /** A reading at a setup. */
    public static ObjectNode reading(String setup, JsonNode reading) {
        ObjectNode payload = JsonNodeFactory.instance.objectNode().put("setup", setup);
        payload.set("reading", reading);
        return payload;
    }

    /** Lines struck out, or restored. */
    public static ObjectNode lines(List<String> keys, String reason) {
        ObjectNode payload = JsonNodeFactory.instance.objectNode();
        ArrayNode readings = payload.putArray("readings");
        keys.forEach(readings::add);
        return payload.put("reason", reason);
    }

    /** A note changed afterwards: what of it, by whom and why; the value and the lines are added. */
    public static ObjectNode renote(String what, String by, String reason) {
        return JsonNodeFactory.instance
                .objectNode()
                .put("what", what)
                .put("by", by)
                .put("reason", reason);
    }

    /** A decision of now, with its reason; before and after where a note was changed. */
    public static ObjectNode decision(
            Pieces pieces, String by, String what, Map<String, Object> on, String reason, String before, String after) {
        return pieces.write(new Decision(
                Optional.of(Instant.now().truncatedTo(ChronoUnit.SECONDS)),
                by,
                what,
                on,
                reason,
                before.isEmpty() ? Optional.empty() : Optional.of(before),
                after.isEmpty() ? Optional.empty() : Optional.of(after)));
    }

    /** A mark noted anew. */
    public static ObjectNode noted(JsonNode mark, String reason) {
        ObjectNode payload = JsonNodeFactory.instance.objectNode().put("reason", reason);
        payload.set("mark", mark);
        return payload;
    }
}
