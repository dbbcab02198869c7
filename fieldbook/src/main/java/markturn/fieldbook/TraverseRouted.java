package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Traverse;

/** The route of a traverse, in the place of one of its name. */
public record TraverseRouted(Traverse traverse) implements EntryPayload {
    static TraverseRouted read(Element of, int revision) {
        return new TraverseRouted(JobReader.traverse(of));
    }

    @Override
    public Kind kind() {
        return Kind.TRAVERSE;
    }

    @Override
    public void require(BookedJob book) {
        traverse.route().forEach(station -> Known.mark(book.job(), station, "route"));
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.traverses().remove(traverse.name());
        draft.traverses().add(traverse);
    }

    @Override
    public Fields written(JobWriter to) {
        return JobWriter.traverse(traverse);
    }
}
