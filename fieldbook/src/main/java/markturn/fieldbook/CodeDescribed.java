package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Code;

/** A code, new or described anew. Ranges of numbers do not overlap, so that a number tells its code. */
public record CodeDescribed(Code code) implements EntryPayload {
    static CodeDescribed read(Element of, int revision) {
        return new CodeDescribed(JobReader.code(of));
    }

    @Override
    public Kind kind() {
        return Kind.CODE;
    }

    @Override
    public void require(BookedJob book) {
        for (Code other : book.job().codes()) {
            boolean overlap = !other.name().equals(code.name())
                    && code.numbers()
                            .flatMap(n -> other.numbers().filter(n::overlaps))
                            .isPresent();
            if (overlap) {
                Code.Numbers taken = other.numbers().orElseThrow();
                throw new Refused(
                        "first",
                        other.name() + " has the numbers " + taken.first() + " to " + taken.last()
                                + ": expected a range beside it");
            }
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        if (draft.codes().find(code.name()).isPresent()) {
            draft.codes().replace(code.name(), before -> code);
        } else {
            draft.codes().add(code);
        }
    }

    @Override
    public Fields written(JobWriter to) {
        return to.code(code);
    }
}
