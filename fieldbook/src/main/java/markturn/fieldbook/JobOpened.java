package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;

/** A whole job, as it begins: empty, or from a file. */
public record JobOpened(Job job) implements EntryPayload {
    static JobOpened read(Element of, int revision) {
        return new JobOpened(of.job());
    }

    @Override
    public Kind kind() {
        return Kind.OPEN;
    }

    @Override
    public void require(BookedJob book) {
        if (book.revision() != 0) {
            throw new Refused("", "The job is open already.");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.open(entry.key(), job);
        for (Setup setup : job.setups()) {
            if (!setup.readings().isEmpty()) {
                draft.state().observed(setup.name(), entry.by());
            }
        }
    }

    @Override
    public Fields written(JobWriter to) {
        return new JobWriter(job.units()).job(job);
    }
}
