package markturn.fieldbook;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Construction;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;

/**
 * Marks that came in together, and fixes of marks: all of them or none.
 *
 * @param source where a list came from; may be empty
 */
public record MarksAdded(List<Mark> marks, List<SatelliteFix> fixes, String source) implements EntryPayload {
    static MarksAdded read(Element of, int revision) {
        return new MarksAdded(
                of.list("marks").stream().map(JobReader::mark).toList(),
                of.list("fixes").stream().map(JobReader::fix).toList(),
                of.text("source"));
    }

    @Override
    public Kind kind() {
        return Kind.MARKS;
    }

    @Override
    public void require(BookedJob book) {
        Set<String> names = new HashSet<>();
        for (Mark mark : marks) {
            Known.freeMark(book.job(), mark);
            if (!names.add(mark.name())) {
                throw new Refused("name", mark.name() + " comes twice: a name stands for one mark");
            }
        }
        for (Mark mark : marks) {
            for (String base : mark.by().map(Construction::bases).orElse(List.of())) {
                known(book, names, base, "name");
            }
        }
        fixes.forEach(fix -> known(book, names, fix.mark(), "mark"));
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        marks.forEach(draft.marks()::add);
        fixes.forEach(draft.fixes()::add);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields();
        if (!source.isEmpty()) {
            fields.put("source", source);
        }
        Items all = fields.putItems("marks");
        marks.forEach(mark -> all.add(to.mark(mark)));
        Items others = fields.putItems("fixes");
        fixes.forEach(fix -> others.add(to.fix(fix)));
        return fields;
    }

    private static void known(BookedJob book, Set<String> names, String mark, String field) {
        if (!names.contains(mark)) {
            Known.mark(book.job(), mark, field);
        }
    }
}
