package markturn.fieldbook;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.SetupReader;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.finding.base.Basis;
import markturn.survey.job.Decision;
import markturn.survey.job.Setup;

/**
 * What of the marks takes no part in the orientation of a setup; what was left out before is replaced.
 *
 * @param by shown name of who leaves it out
 * @param basis digest of what the decision rests on; may be empty
 */
public record MarksLeftOut(String setup, Setup.ByResection leaving, String by, String reason, String basis)
        implements EntryPayload {
    static MarksLeftOut read(Element of, int revision) {
        return new MarksLeftOut(
                of.text("setup"), SetupReader.byResection(of), of.text("by"), of.text("reason"), of.text(Basis.KEY));
    }

    @Override
    public Kind kind() {
        return Kind.LEAVE_OUT;
    }

    @Override
    public void require(BookedJob book) {
        if (!isByMarks(Known.setup(book.job(), setup).orientation())) {
            throw new Refused("setup", setup + " is not oriented by marks: nothing is left out there");
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        Optional<Setup> found = draft.setups().find(setup).filter(s -> isByMarks(s.orientation()));
        if (found.isEmpty()) {
            return;
        }
        Setup.Orientation before = found.get().orientation();
        Setup.Orientation after = before.without(leaving.leaveOut(), leaving.solveScale());
        draft.setups().replace(setup, s -> s.withOrientation(after));
        draft.decisions()
                .add(new Decision(
                        Optional.of(entry.at()),
                        by.isEmpty() ? entry.by() : by,
                        Decision.LEAVE_OUT,
                        Map.of("setup", setup, Basis.KEY, basis),
                        reason,
                        Optional.of(words(before)),
                        Optional.of(words(after))));
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields();
        JobWriter.resection(fields, leaving);
        return fields.put(Basis.KEY, basis)
                .put("setup", setup)
                .put("reason", reason)
                .put("by", by);
    }

    private static boolean isByMarks(Setup.Orientation by) {
        return by instanceof Setup.ByResection || by instanceof Setup.BySights;
    }

    private static String words(Setup.Orientation by) {
        String left = by.leaveOut().stream()
                .map(l -> l.target()
                        + l.only()
                                .map(part -> " " + part.name().toLowerCase(Locale.ROOT))
                                .orElse(""))
                .collect(Collectors.joining(", "));
        return (left.isEmpty() ? "nothing left out" : "left out " + left)
                + (by instanceof Setup.ByResection free && free.solveScale() ? ", scale free" : "");
    }
}
