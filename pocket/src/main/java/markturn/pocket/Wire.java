package markturn.pocket;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Amount;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Units;

/** Entries and typed fields as a device and a server send them to each other. */
final class Wire {
    private Wire() {}

    /** An entry with its payload as it is stored; {@code sequence} is there where a server gave it one. */
    static Fields written(Entry entry, Units units) {
        return new Fields()
                .put("key", entry.key())
                .put("at", entry.at().toString())
                .put("by", entry.by())
                .put("kind", entry.kind().stored())
                .put("revision", entry.kind().revision())
                .put("payload", entry.payload().written(new JobWriter(units)));
    }

    /**
     * Reads an entry.
     *
     * @param sequence its place in the book
     * @param units of the job at that entry
     */
    static Entry entry(Tree tree, long sequence, Units units) {
        return new Entry(
                sequence,
                tree.text("key"),
                Instant.parse(tree.text("at")),
                tree.text("by"),
                EntryPayload.Kind.read(tree.text("kind"), (int) number(tree, "revision"), tree.at("payload"), units));
    }

    /** A number of a tree; 0 where none stands. */
    static double number(Tree tree, String key) {
        return tree.at(key) instanceof Amount amount ? amount.value() : 0;
    }

    /** Texts by their names. */
    static Map<String, String> texts(String json) {
        Map<String, String> texts = new LinkedHashMap<>();
        if (JsonText.read(json) instanceof Fields fields) {
            fields.all().forEach((name, value) -> texts.put(name, value.plain().toString()));
        }
        return texts;
    }

    /** What is not empty. */
    static Optional<String> some(String text) {
        return Optional.of(text).filter(words -> !words.isEmpty());
    }
}
