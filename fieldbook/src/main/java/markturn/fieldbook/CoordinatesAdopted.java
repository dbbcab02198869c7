package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;

/** Coordinates of a run become those of its marks. */
public record CoordinatesAdopted(List<Adopted> adopted, Decision decision) implements EntryPayload {
    static CoordinatesAdopted read(Element of, int revision) {
        return new CoordinatesAdopted(
                of.list("adopted").stream().map(JobReader::adopted).toList(), JobReader.decision(of.at("decision")));
    }

    @Override
    public Kind kind() {
        return Kind.ADOPT;
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        adopted.forEach(draft.adopted()::add);
        draft.decisions().add(decision);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields();
        Items all = fields.putItems("adopted");
        adopted.forEach(each -> all.add(to.adopted(each)));
        return fields.put("decision", JobWriter.decision(decision));
    }
}
