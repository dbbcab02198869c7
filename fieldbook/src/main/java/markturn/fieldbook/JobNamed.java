package markturn.fieldbook;

import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Decision;

/**
 * The job gets another name or place; what it was called before stays legible as a decision.
 *
 * @param name 1 to {@link #LONGEST} characters
 * @param by shown name of who renames it
 */
public record JobNamed(String name, String place, String by, String reason) implements EntryPayload {
    /** The longest name or place of a job, in characters. */
    public static final int LONGEST = 200;

    static JobNamed read(Element of, int revision) {
        return new JobNamed(of.text("name"), of.text("place"), of.text("by"), of.text("reason"));
    }

    @Override
    public Kind kind() {
        return Kind.NAMED;
    }

    @Override
    public void require(BookedJob book) {
        if (name.isEmpty() || name.length() > LONGEST) {
            throw new Refused("name", "Expected a name of the job, at most " + LONGEST + " characters");
        }
        if (place.length() > LONGEST) {
            throw new Refused("place", "Expected a place of at most " + LONGEST + " characters");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        Map<String, Object> before = Map.of("name", draft.name(), "place", draft.place());
        draft.call(name, place);
        draft.decisions()
                .add(new Decision(
                        Optional.of(entry.at()),
                        by.isEmpty() ? entry.by() : by,
                        Decision.RENAME,
                        Map.of(),
                        reason,
                        Optional.of(before),
                        Optional.of(Map.of("name", name, "place", place))));
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("name", name).put("place", place).put("by", by).put("reason", reason);
    }
}
