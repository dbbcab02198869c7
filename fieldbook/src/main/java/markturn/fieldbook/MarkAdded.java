package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Construction;
import markturn.survey.job.Mark;

/** A mark. */
public record MarkAdded(Mark mark) implements EntryPayload {
    static MarkAdded read(Element of, int revision) {
        return new MarkAdded(JobReader.mark(of));
    }

    @Override
    public Kind kind() {
        return Kind.MARK;
    }

    @Override
    public void require(BookedJob book) {
        for (String base : mark.by().map(Construction::bases).orElse(List.of())) {
            Known.mark(book.job(), base, "name");
        }
        Known.freeMark(book.job(), mark);
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.marks().add(mark);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.mark(mark);
    }
}
