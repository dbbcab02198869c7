package markturn.fieldbook;

import java.util.List;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Reading;
import markturn.survey.turning.PointingOrder;

/** Setups that are to be made, in their order: they take the place of all that were planned before. */
public record SetupsPlanned(List<PlannedSetup> setups) implements EntryPayload {
    public SetupsPlanned {
        setups = List.copyOf(setups);
    }

    static SetupsPlanned read(Element of, int revision) {
        return new SetupsPlanned(
                of.list("setups").stream().map(SetupsPlanned::setup).toList());
    }

    private static PlannedSetup setup(Element of) {
        return new PlannedSetup(
                of.text("name"),
                of.text("station"),
                PlannedSetup.Method.of(of.text("method")),
                of.text("instrument"),
                of.integer("sets").orElse(1),
                PointingOrder.School.of(of.text("school")),
                of.list("aims").stream()
                        .map(aim -> new PlannedSetup.Aim(
                                aim.text("target"), Reading.Role.valueOf(aim.text("role")), aim.text("reflector")))
                        .toList());
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
        for (PlannedSetup setup : setups) {
            Fields each = new Fields()
                    .put("name", setup.name())
                    .put("station", setup.station())
                    .put("method", setup.method().key())
                    .put("instrument", setup.instrument())
                    .put("sets", setup.sets())
                    .put("school", setup.school().key());
            Items aims = each.putItems("aims");
            setup.aims()
                    .forEach(aim -> aims.add(new Fields()
                            .put("target", aim.target())
                            .put("role", aim.role().name())
                            .put("reflector", aim.reflector())));
            all.add(each);
        }
        return fields;
    }
}
