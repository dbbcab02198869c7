package markturn.fieldbook;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;

/**
 * Readings struck out, with the reason: they stay legible and count no more.
 *
 * @param lines keys of the readings
 */
public record LinesStruck(List<String> lines, String reason, Optional<String> device) implements EntryPayload {
    static LinesStruck read(Element of, int revision) {
        return new LinesStruck(
                of.list("readings").stream().map(Element::text).toList(), of.text("reason"), of.optionalText("device"));
    }

    @Override
    public Kind kind() {
        return Kind.STRIKE;
    }

    @Override
    public void require(BookedJob book) {
        lines.forEach(line -> Known.line(book, line, "reading"));
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.changeLines(lines, reading -> reading.struckOut(reason));
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields();
        Items keys = fields.putItems("readings");
        lines.forEach(keys::add);
        fields.put("reason", reason);
        device.ifPresent(name -> fields.put("device", name));
        return fields;
    }

    @Override
    public Set<String> writesAt(BookedJob book) {
        return Known.setupsOf(book, lines);
    }
}
