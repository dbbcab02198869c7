package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Instrument;

/** An instrument. */
public record InstrumentAdded(Instrument instrument) implements EntryPayload {
    static InstrumentAdded read(Element of, int revision) {
        return new InstrumentAdded(JobReader.instrument(of));
    }

    @Override
    public Kind kind() {
        return Kind.INSTRUMENT;
    }

    @Override
    public void require(BookedJob book) {
        Known.free(book.job().instruments(), Instrument::name, instrument.name());
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.instruments().add(instrument);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.instrument(instrument);
    }
}
