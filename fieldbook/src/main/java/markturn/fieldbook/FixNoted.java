package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.SatelliteFix;

/** A satellite fix of a mark. */
public record FixNoted(SatelliteFix fix) implements EntryPayload {
    static FixNoted read(Element of, int revision) {
        return new FixNoted(JobReader.fix(of));
    }

    @Override
    public Kind kind() {
        return Kind.FIX;
    }

    @Override
    public void require(BookedJob book) {
        Known.mark(book.job(), fix.mark(), "mark");
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.fixes().add(fix);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.fix(fix);
    }
}
