package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.SetupReader;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;

/** A setup, before anything is read at it. */
public record SetupBegun(Setup setup) implements EntryPayload {
    static SetupBegun read(Element of, int revision) {
        return new SetupBegun(SetupReader.setup(of));
    }

    @Override
    public Kind kind() {
        return Kind.SETUP;
    }

    @Override
    public void require(BookedJob book) {
        Job job = book.job();
        if (job.setup(setup.name()).isPresent()) {
            throw new Refused("name", setup.name() + " is in this job already: expected another name");
        }
        Known.mark(job, setup.station(), "station");
        setup.orientation().sights().forEach(sight -> Known.mark(job, sight, "backsight"));
        if (job.instruments().stream().noneMatch(i -> i.name().equals(setup.instrument()))) {
            throw new Refused("instrument", "There is no instrument " + setup.instrument() + " in this job");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.setups().add(setup);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.setup(setup);
    }
}
