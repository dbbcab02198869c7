package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Decision;

/** What was adopted from a run is withdrawn. */
public record AdoptionWithdrawn(String from, Decision decision) implements EntryPayload {
    static AdoptionWithdrawn read(Element of, int revision) {
        return new AdoptionWithdrawn(of.text("from"), JobReader.decision(of.at("decision")));
    }

    @Override
    public Kind kind() {
        return Kind.WITHDRAW;
    }

    @Override
    public void require(BookedJob book) {
        if (book.job().adopted().stream().noneMatch(a -> a.from().equals(from))) {
            throw new Refused("", "Nothing stands that was adopted from " + from);
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.adopted().removeIf(adopted -> adopted.from().equals(from));
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("from", from).put("decision", JobWriter.decision(decision));
    }
}
