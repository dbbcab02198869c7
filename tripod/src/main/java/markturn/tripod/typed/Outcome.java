package markturn.tripod.typed;

import java.util.List;
import java.util.Map;
import markturn.fieldbook.EntryPayload;

/** What becomes of what was typed: entries to be stored together, or what is at fault, field by field; then nothing is stored. */
public sealed interface Outcome {
    /** Entries that belong together; none where there was nothing to do. */
    record Entries(List<EntryPayload> payloads) implements Outcome {}

    /** Sentences under the names of the fields they belong to; under {@code message} what concerns no field. */
    record Faults(Map<String, String> byField) implements Outcome {}

    /** One entry or several. */
    static Outcome of(EntryPayload... payloads) {
        return new Entries(List.of(payloads));
    }

    /** What was stored already, and is asked for again as its answer was lost: there is nothing to do. */
    static Outcome done() {
        return new Entries(List.of());
    }

    /** What concerns no field. */
    static Outcome message(String sentence) {
        return new Faults(Map.of("message", sentence));
    }
}
