package markturn.fieldbook;

import java.util.Optional;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;

/**
 * A satellite fix struck out, or standing again.
 *
 * @param place of the fix among those of the job, from 0
 * @param reason why it is struck out; empty where it stands again
 */
public record FixStruck(int place, String reason) implements EntryPayload {
    static FixStruck read(Element of, int revision) {
        return new FixStruck(of.integer("fix").orElse(-1), of.text("reason"));
    }

    @Override
    public Kind kind() {
        return Kind.FIX_STRUCK;
    }

    @Override
    public void require(BookedJob book) {
        if (place < 0 || place >= book.job().fixes().size()) {
            throw new Refused("fix", "There is no such fix in this job");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.fixes()
                .replaceAt(
                        place,
                        fix -> fix.withStruck(reason.isBlank() ? Optional.empty() : Optional.of(reason.strip())));
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("fix", place).put("reason", reason);
    }
}
