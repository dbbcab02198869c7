package markturn.web.fieldbook;

import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The same key again adds nothing: an answer was lost, and the page sends once more. What comes under a key that is taken must be the same,
 * though, or something would be called stored that never was.
 */
final class Resent {
    /** Kinds that hold what was typed; others hold what followed from the book, which may have gone on since. */
    private static final Set<EntryKind> TYPED = Set.of(
            EntryKind.READING,
            EntryKind.STRIKE,
            EntryKind.DECISION,
            EntryKind.RENOTE,
            EntryKind.FIX,
            EntryKind.REFERENCE);

    private Resent() {}

    /** @throws KeyTaken where another content came under the key */
    static void requireSame(Entry stored, Act again) {
        boolean same = stored.kind() == again.kind()
                && (!TYPED.contains(again.kind()) || timeless(stored.payload()).equals(timeless(again.payload())));
        if (!same) {
            throw new KeyTaken();
        }
    }

    /** Without the moments of booking: the second posting comes later. */
    private static JsonNode timeless(JsonNode payload) {
        JsonNode copy = payload.deepCopy();
        forget(copy);
        return copy;
    }

    private static void forget(JsonNode node) {
        if (node instanceof ObjectNode object) {
            object.remove("at");
            object.remove("device");
        }
        node.forEach(Resent::forget);
    }
}
