package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Reflector;

/** A reflector. */
public record ReflectorAdded(Reflector reflector) implements EntryPayload {
    static ReflectorAdded read(Element of, int revision) {
        return new ReflectorAdded(JobReader.reflector(of));
    }

    @Override
    public Kind kind() {
        return Kind.REFLECTOR;
    }

    @Override
    public void require(BookedJob book) {
        Known.free(book.job().reflectors(), Reflector::name, reflector.name());
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.reflectors().add(reflector);
    }

    @Override
    public Fields written(JobWriter to) {
        return to.reflector(reflector);
    }
}
