package markturn.fieldbook;

import java.util.stream.Collectors;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.SetupReader;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Reading;
import markturn.survey.turning.CircleStart;
import markturn.survey.turning.PointingOrder;

/** What is turned at a setup. Circle and centring are written in radians and metres, as nobody ever typed them in this form. */
public record OrderNoted(String setup, TurningOrder order) implements EntryPayload {
    static OrderNoted read(Element of, int revision) {
        return new OrderNoted(
                of.text("setup"),
                new TurningOrder(
                        of.integer("sets").orElse(1),
                        of.list("aims").stream().map(OrderNoted::aim).toList(),
                        PointingOrder.School.of(of.text("school")),
                        new CircleStart(of.plain("circleStart"), of.flag("stepped", false)),
                        of.integer("distances").orElse(1),
                        of.list("closedSets").stream()
                                .map(set -> (int) set.plain())
                                .collect(Collectors.toSet()),
                        of.find("keyedIn").map(k -> new Reading.Applied(k.plain("constant"), k.plain("ppm")))));
    }

    private static TurningOrder.Aim aim(Element of) {
        return new TurningOrder.Aim(
                of.text("target"),
                Reading.Role.valueOf(of.text("role")),
                of.text("reflector"),
                of.find("height").map(SetupReader::height),
                of.plain("centring"));
    }

    @Override
    public Kind kind() {
        return Kind.ORDER;
    }

    @Override
    public void require(BookedJob book) {
        Known.setup(book.job(), setup);
        order.aims().forEach(aim -> Known.mark(book.job(), aim.target(), "target"));
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().order(setup, order);
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields()
                .put("setup", setup)
                .put("sets", order.sets())
                .put("school", order.school().key())
                .put("stepped", order.circleStart().stepped())
                .put("distances", order.distances());
        order.circleStart().first().ifPresent(start -> fields.put("circleStart", start));
        order.keyedIn().ifPresent(keyed -> {
            Fields applied = fields.putFields("keyedIn");
            keyed.constant().ifPresent(c -> applied.put("constant", c));
            keyed.ppm().ifPresent(p -> applied.put("ppm", p));
        });
        Items closed = fields.putItems("closedSets");
        order.closedSets().forEach(closed::add);
        Items aims = fields.putItems("aims");
        for (TurningOrder.Aim aim : order.aims()) {
            Fields each = new Fields()
                    .put("target", aim.target())
                    .put("role", aim.role().name())
                    .put("reflector", aim.reflector());
            aim.height().ifPresent(h -> each.put("height", to.height(h)));
            aim.centringStdDev().ifPresent(c -> each.put("centring", c));
            aims.add(each);
        }
        return fields;
    }
}
