package markturn.web.planning;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import markturn.tripod.planning.Planning;
import markturn.tripod.planning.PlanningFigures;

/** What the page of planning begins with: the job without what was measured, where its marks lie, ground and plans. */
final class PlanningState {
    private PlanningState() {}

    static Fields of(BookedJob book, Optional<PlanPicture> picture) {
        Job job = book.job();
        JobWriter to = new JobWriter(job.units());
        Site site = Planning.site(book);
        Fields state = new Fields()
                .put("revision", "" + book.revision())
                .put("job", to.job(Planning.bare(job)))
                .put("metre", 1 / job.units().length().metres())
                .put("unit", job.units().length().sign())
                .put("small", PlanningFigures.small(job.units()))
                .put("smallSign", PlanningFigures.smallSign(job.units()))
                .put("reflector", Planning.reflector(job))
                .put("ground", PlanTree.ground(book.ground(), to));
        Items known = state.putItems("known");
        for (Map.Entry<String, Position> mark : site.known().entrySet()) {
            Position at = mark.getValue();
            Fields each = known.addFields()
                    .put("name", mark.getKey())
                    .put("northing", to.length(at.northing()))
                    .put("easting", to.length(at.easting()))
                    .put("control", site.control().contains(mark.getKey()));
            at.elevation().ifPresent(up -> each.put("elevation", to.length(up)));
        }
        names(
                state,
                "instruments",
                job.instruments().stream().map(i -> i.name()).toList());
        names(state, "reflectors", job.reflectors().stream().map(r -> r.name()).toList());
        names(state, "stands", job.setups().stream().map(Setup::name).toList());
        names(state, "planned", book.planned().stream().map(PlannedSetup::name).toList());
        Items plans = state.putItems("plans");
        for (WorkPlan plan : Planning.plans(book)) {
            plans.add(PlanTree.plan(plan, to));
        }
        picture.ifPresent(laid -> state.put("picture", picture(laid, job.units())));
        return state;
    }

    /** How a picture lies, in the job's units: northing and easting of its corner, and what a picture point across and one down add. */
    static Fields picture(PlanPicture picture, Units units) {
        double metres = units.length().metres();
        Fields fields = new Fields()
                .put("number", picture.number())
                .put("wide", picture.wide())
                .put("high", picture.high());
        Items north = fields.putItems("north");
        for (double each : picture.underlay().north()) {
            north.add(each / metres);
        }
        Items east = fields.putItems("east");
        for (double each : picture.underlay().east()) {
            east.add(each / metres);
        }
        return fields;
    }

    private static void names(Fields state, String key, List<String> names) {
        Items items = state.putItems(key);
        names.forEach(items::add);
    }
}
