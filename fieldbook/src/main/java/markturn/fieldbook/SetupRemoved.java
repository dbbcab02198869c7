package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Decision;

/** A setup at which nothing was booked is taken back. What was booked stays legible, struck out or not. */
public record SetupRemoved(String setup, Decision decision) implements EntryPayload {
    static SetupRemoved read(Element of, int revision) {
        return new SetupRemoved(of.text("setup"), JobReader.decision(of.at("decision")));
    }

    @Override
    public Kind kind() {
        return Kind.SETUP_REMOVED;
    }

    @Override
    public void require(BookedJob book) {
        if (!Known.setup(book.job(), setup).readings().isEmpty()) {
            throw new Refused(
                    "setup", setup + " holds readings: they stay in the record, struck out where they are wrong");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.setups().remove(setup);
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("setup", setup).put("decision", JobWriter.decision(decision));
    }
}
