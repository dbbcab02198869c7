package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Mark;

/** A mark noted anew: how it was found, another name, how it is held. */
public record MarkNoted(Mark mark, String reason) implements EntryPayload {
    static MarkNoted read(Element of, int revision) {
        return new MarkNoted(JobReader.mark(of.at("mark")), of.text("reason"));
    }

    @Override
    public Kind kind() {
        return Kind.MARK_NOTED;
    }

    @Override
    public void require(BookedJob book) {
        Known.mark(book.job(), mark.name(), "name");
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.marks().replace(mark.name(), before -> mark);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("reason", reason);
        return fields.put("mark", to.mark(mark));
    }
}
