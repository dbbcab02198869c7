package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Decision;
import markturn.survey.job.Mark;

/** What was given of a mark is corrected or withdrawn. */
public record ControlCorrected(Mark mark, Decision decision) implements EntryPayload {
    static ControlCorrected read(Element of, int revision) {
        return new ControlCorrected(JobReader.mark(of.at("mark")), JobReader.decision(of.at("decision")));
    }

    @Override
    public Kind kind() {
        return Kind.CONTROL_CORRECTED;
    }

    @Override
    public void require(BookedJob book) {
        Known.mark(book.job(), mark.name(), "name");
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.marks().replace(mark.name(), before -> mark);
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("mark", to.mark(mark)).put("decision", JobWriter.decision(decision));
    }
}
