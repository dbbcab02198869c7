package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.ReferencePair;

/** A distance or height difference between two marks that is known without the instrument. */
public record ReferenceNoted(ReferencePair pair) implements EntryPayload {
    static ReferenceNoted read(Element of, int revision) {
        return new ReferenceNoted(JobReader.reference(of));
    }

    @Override
    public Kind kind() {
        return Kind.REFERENCE;
    }

    @Override
    public void require(BookedJob book) {
        Known.mark(book.job(), pair.one(), "reference-from");
        Known.mark(book.job(), pair.other(), "reference-to");
        if (book.job().trueName(pair.one()).equals(book.job().trueName(pair.other()))) {
            throw new Refused("reference-to", "Both are one mark: expected two");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.references().add(pair);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.reference(pair);
    }
}
