package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Decision;

/**
 * Which marks are meant to be stable, where epochs are compared: a decision, with who and why.
 *
 * @param marks names of them, at least two
 */
public record ReferenceChosen(List<String> marks, Decision decision) implements EntryPayload {
    public ReferenceChosen {
        marks = List.copyOf(marks);
    }

    static ReferenceChosen read(Element of, int revision) {
        return new ReferenceChosen(
                of.list("marks").stream().map(Element::text).toList(), JobReader.decision(of.at("decision")));
    }

    @Override
    public Kind kind() {
        return Kind.REFERENCE_CHOSEN;
    }

    @Override
    public void require(BookedJob book) {
        if (marks.size() < 2) {
            throw new Refused("reference", "Expected two marks or more: one alone shows no movement of its own");
        }
        marks.forEach(mark -> Known.mark(book.job(), mark, "reference"));
        if (decision.reason().isBlank()) {
            throw new Refused(
                    "reason", "The reference is chosen with a reason: write why these marks are meant to be stable");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().reference(marks);
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("decision", JobWriter.decision(decision));
        Items names = fields.putItems("marks");
        marks.forEach(names::add);
        return fields;
    }
}
