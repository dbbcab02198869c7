package markturn.formats;

import java.util.List;
import java.util.OptionalInt;
import markturn.fieldbook.wire.Fault;
import markturn.survey.job.PlainText;
import tools.jackson.databind.JsonNode;

/** Every text of a document is text: no control characters, no half signs, in values as in keys. */
final class TextCheck {
    private TextCheck() {}

    /**
     * Adds a fault for each text that is none.
     *
     * @param path of the node, as faults name it
     */
    static void check(JsonNode node, String path, List<Fault> faults) {
        if (node.isString()) {
            check(node.asString(), path, faults);
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                check(node.get(i), path + "[" + i + "]", faults);
            }
        } else if (node.isObject()) {
            node.properties().forEach(entry -> {
                check(entry.getKey(), path, faults);
                check(entry.getValue(), path + "." + entry.getKey(), faults);
            });
        }
    }

    private static void check(String text, String path, List<Fault> faults) {
        OptionalInt at = PlainText.fault(text);
        if (at.isPresent()) {
            faults.add(new Fault(
                    path,
                    PlainText.cleaned(text),
                    "character %d is U+%04X, which is no text: expected plain text"
                            .formatted(at.getAsInt() + 1, text.codePointAt(at.getAsInt()))));
        }
    }
}
