package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.plan.PlannedSetup;

/** Setups that are to be made, in their order: they take the place of all that were planned before. */
public record SetupsPlanned(List<PlannedSetup> setups) implements EntryPayload {
    public SetupsPlanned {
        setups = List.copyOf(setups);
    }

    static SetupsPlanned read(Element of, int revision) {
        return new SetupsPlanned(of.list("setups").stream().map(PlanTree::setup).toList());
    }

    @Override
    public Kind kind() {
        return Kind.PLANNED;
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().planned(setups);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields();
        Items all = fields.putItems("setups");
        setups.forEach(setup -> all.add(PlanTree.setup(setup, to)));
        return fields;
    }
}
