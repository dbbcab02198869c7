package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;

/**
 * The job, or some of its setups, is an epoch of marks that are measured again and again. The same name again takes the place of the earlier.
 *
 * @param series which marks: the id of the job that was measured first
 * @param name of the epoch, by which it is told from others
 * @param setups that belong to it; empty: all of the job
 */
public record EpochNoted(String series, String name, List<String> setups) implements EntryPayload {
    public EpochNoted {
        setups = List.copyOf(setups);
    }

    static EpochNoted read(Element of, int revision) {
        return new EpochNoted(
                of.text("series"),
                of.text("name"),
                of.list("setups").stream().map(Element::text).toList());
    }

    @Override
    public Kind kind() {
        return Kind.EPOCH;
    }

    @Override
    public void require(BookedJob book) {
        if (name.isEmpty() || name.length() > JobNamed.LONGEST) {
            throw new Refused("name", "Expected a name of the epoch, at most " + JobNamed.LONGEST + " characters");
        }
        setups.forEach(setup -> Known.setup(book.job(), setup));
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().epoch(this);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("series", series).put("name", name);
        Items names = fields.putItems("setups");
        setups.forEach(names::add);
        return fields;
    }
}
