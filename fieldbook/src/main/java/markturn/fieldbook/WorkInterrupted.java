package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;

/** The work at a setup was interrupted. */
public record WorkInterrupted(String setup, String reason) implements EntryPayload {
    static WorkInterrupted read(Element of, int revision) {
        return new WorkInterrupted(of.text("setup"), of.text("reason"));
    }

    @Override
    public Kind kind() {
        return Kind.BREAK;
    }

    @Override
    public void require(BookedJob book) {
        Known.setup(book.job(), setup);
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.readings(setup).ifPresent(readings -> draft.state().broken(setup, readings.size()));
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("setup", setup).put("reason", reason);
    }
}
