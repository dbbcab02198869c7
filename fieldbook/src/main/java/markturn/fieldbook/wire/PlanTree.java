package markturn.fieldbook.wire;

import java.util.OptionalDouble;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Minutes;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.turning.PointingOrder;

/** Ground, plans and planned setups as entries hold them and a page sends them; lengths in the units of the job. */
public final class PlanTree {
    private PlanTree() {}

    /** A planned setup. */
    public static PlannedSetup setup(Element of) {
        return new PlannedSetup(
                of.text("name"),
                of.text("station"),
                PlannedSetup.Method.of(of.text("method")),
                of.text("instrument"),
                Math.max(1, of.integer("sets").orElse(1)),
                PointingOrder.School.of(of.text("school")),
                of.list("aims").stream()
                        .map(aim -> new PlannedSetup.Aim(
                                aim.text("target"),
                                aim.text("role").equals(Reading.Role.BACKSIGHT.name())
                                        ? Reading.Role.BACKSIGHT
                                        : Reading.Role.FORESIGHT,
                                aim.text("reflector")))
                        .toList(),
                of.find("place").map(PlanTree::coordinates));
    }

    /** The same, written. */
    public static Fields setup(PlannedSetup setup, JobWriter to) {
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
        setup.place().ifPresent(at -> each.put("place", coordinates(at, to)));
        return each;
    }

    /** What stands on the ground; obstacles of fewer than two corners are passed over. */
    public static Ground ground(Element of) {
        return new Ground(of.list("obstacles").stream()
                .map(PlanTree::obstacle)
                .filter(obstacle -> obstacle.corners().size() > 1)
                .toList());
    }

    private static Obstacle obstacle(Element of) {
        return new Obstacle(
                of.text("name"),
                Obstacle.Kind.of(of.text("kind")),
                of.flag("closed", false),
                of.list("corners").stream().map(PlanTree::place).toList(),
                of.length("top"));
    }

    /** The same, written. */
    public static Fields ground(Ground ground, JobWriter to) {
        Fields fields = new Fields();
        Items all = fields.putItems("obstacles");
        for (Obstacle obstacle : ground.obstacles()) {
            Fields each = all.addFields()
                    .put("name", obstacle.name())
                    .put("kind", obstacle.kind().key())
                    .put("closed", obstacle.isClosed());
            Items corners = each.putItems("corners");
            obstacle.corners()
                    .forEach(corner -> corners.addFields()
                            .put("northing", to.length(corner.northing()))
                            .put("easting", to.length(corner.easting())));
            put(each, "top", obstacle.top(), to);
        }
        return fields;
    }

    /** A plan. */
    public static WorkPlan plan(Element of) {
        return new WorkPlan(
                of.text("name"),
                of.length("axis").orElse(WorkPlan.AXIS),
                of.length("target").orElse(WorkPlan.TARGET),
                of.find("minutes").map(PlanTree::minutes).orElse(Minutes.USUAL),
                of.list("wanted").stream().map(PlanTree::wanted).toList(),
                of.list("setups").stream().map(PlanTree::setup).toList());
    }

    /** The same, written. */
    public static Fields plan(WorkPlan plan, JobWriter to) {
        Fields fields = new Fields()
                .put("name", plan.name())
                .put("axis", to.length(plan.axis()))
                .put("target", to.length(plan.target()));
        fields.putFields("minutes")
                .put("setup", plan.minutes().setup())
                .put("target", plan.minutes().target())
                .put("set", plan.minutes().set());
        Items wanted = fields.putItems("wanted");
        for (WantedMark mark : plan.wanted()) {
            Fields each = wanted.addFields().put("name", mark.name()).put("near", coordinates(mark.near(), to));
            put(each, "plan", mark.plan(), to);
            put(each, "elevation", mark.elevation(), to);
            put(each, "hidden", mark.hidden(), to);
        }
        Items setups = fields.putItems("setups");
        plan.setups().forEach(setup -> setups.add(setup(setup, to)));
        return fields;
    }

    private static Minutes minutes(Element of) {
        return new Minutes(
                of.plain("setup").orElse(Minutes.USUAL.setup()),
                of.plain("target").orElse(Minutes.USUAL.target()),
                of.plain("set").orElse(Minutes.USUAL.set()));
    }

    private static WantedMark wanted(Element of) {
        return new WantedMark(
                of.text("name"),
                coordinates(of.at("near")),
                of.length("plan"),
                of.length("elevation"),
                of.length("hidden"));
    }

    private static Mark.Coordinates coordinates(Element of) {
        Place at = place(of);
        return new Mark.Coordinates(at.northing(), at.easting(), of.length("elevation"));
    }

    private static Fields coordinates(Mark.Coordinates at, JobWriter to) {
        Fields fields = new Fields().put("northing", to.length(at.northing())).put("easting", to.length(at.easting()));
        put(fields, "elevation", at.elevation(), to);
        return fields;
    }

    private static Place place(Element of) {
        return new Place(coordinate(of, "northing"), coordinate(of, "easting"));
    }

    private static double coordinate(Element of, String key) {
        OptionalDouble metres = of.length(key);
        if (metres.isEmpty() || Math.abs(metres.getAsDouble()) > Mark.Coordinates.FARTHEST) {
            of.fault(key, "expected a number within 100 000 km");
        }
        return metres.orElse(0);
    }

    private static void put(Fields fields, String key, OptionalDouble metres, JobWriter to) {
        metres.ifPresent(value -> fields.put(key, to.length(value)));
    }
}
