package markturn.fieldbook;

import java.util.Set;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Decision;

/** A decision that changes no reading: an acceptance, an answer, what becomes of a second sight. */
public record DecisionMade(Decision decision) implements EntryPayload {
    static DecisionMade read(Element of, int revision) {
        return new DecisionMade(JobReader.decision(of));
    }

    @Override
    public Kind kind() {
        return Kind.DECISION;
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        return JobWriter.decision(decision);
    }

    /** Whether work is good enough is said by whoever reviews it. */
    private static final Set<String> REVIEW = Set.of(Decision.ACCEPT, Decision.REOPEN);

    @Override
    public MayBook mayBook() {
        return REVIEW.contains(decision.what()) ? MayBook.REVIEWER : kind().mayBook();
    }
}
