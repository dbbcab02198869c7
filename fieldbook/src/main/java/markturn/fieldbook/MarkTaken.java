package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Mark;

/**
 * A mark taken from the office's register into the job, as control.
 *
 * @param mark with the coordinates of that version
 * @param registered id of the mark in the register
 * @param version number of the value that was taken
 */
public record MarkTaken(Mark mark, String registered, long version) implements EntryPayload {
    static MarkTaken read(Element of, int revision) {
        return new MarkTaken(JobReader.mark(of.at("mark")), of.text("registered"), (long)
                of.plain("version").orElse(0));
    }

    @Override
    public Kind kind() {
        return Kind.MARK_TAKEN;
    }

    @Override
    public void require(BookedJob book) {
        new MarkAdded(mark).require(book);
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        new MarkAdded(mark).apply(draft, entry);
        draft.state().taken(mark.name(), this);
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields()
                .put("mark", to.mark(mark))
                .put("registered", registered)
                .put("version", version);
    }
}
