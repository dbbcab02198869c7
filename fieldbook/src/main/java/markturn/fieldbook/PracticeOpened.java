package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;

/**
 * Simulated devices stand at the job's service.
 *
 * @param seed of their world's hidden errors
 * @param faults keys of the slips that are switched on
 */
public record PracticeOpened(long seed, List<String> faults) implements EntryPayload {
    static PracticeOpened read(Element of, int revision) {
        return new PracticeOpened(
                (long) of.plain("seed").orElse(0),
                of.list("faults").stream().map(Element::text).toList());
    }

    @Override
    public Kind kind() {
        return Kind.PRACTICE;
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().practice(this);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("seed", seed);
        Items keys = fields.putItems("faults");
        faults.forEach(keys::add);
        return fields;
    }
}
