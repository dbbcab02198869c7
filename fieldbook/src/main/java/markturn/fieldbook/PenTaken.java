package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;

/** A device takes the pen of a setup. */
public record PenTaken(String setup, String deviceName) implements EntryPayload {
    static PenTaken read(Element of, int revision) {
        return new PenTaken(of.text("setup"), of.text("device"));
    }

    @Override
    public Kind kind() {
        return Kind.PEN;
    }

    @Override
    public void require(BookedJob book) {
        Known.setup(book.job(), setup);
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().pen(setup, new Pen(deviceName, entry.by()));
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("setup", setup).put("device", deviceName);
    }
}
