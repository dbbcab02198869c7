package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WorkPlan;

/** A plan of the work, kept with the job. The same name again takes the place of the earlier; one with nothing in it is no plan. */
public record PlanKept(WorkPlan plan) implements EntryPayload {
    /** So many setups, and so many wanted marks, a plan has at most. */
    public static final int MOST = 200;

    private static final int LONGEST_NAME = 60;

    static PlanKept read(Element of, int revision) {
        return new PlanKept(PlanTree.plan(of.at("plan")));
    }

    @Override
    public Kind kind() {
        return Kind.PLAN;
    }

    @Override
    public void require(BookedJob book) {
        if (plan.name().isBlank() || plan.name().length() > JobNamed.LONGEST) {
            throw new Refused("planName", "Expected a name of the plan, at most " + JobNamed.LONGEST + " characters");
        }
        for (PlannedSetup setup : plan.setups()) {
            requireName(setup.name());
            requireName(setup.station());
        }
        plan.wanted().forEach(mark -> requireName(mark.name()));
        if (plan.setups().size() > MOST || plan.wanted().size() > MOST) {
            throw new Refused("plan", "Expected at most " + MOST + " setups and " + MOST + " wanted marks");
        }
    }

    private static void requireName(String name) {
        if (name.isBlank() || name.length() > LONGEST_NAME) {
            throw new Refused(
                    "plan", "Expected a name of each setup and mark, at most " + LONGEST_NAME + " characters: " + name);
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().plan(plan);
    }

    @Override
    public Fields written(JobWriter to) {
        return new Fields().put("plan", PlanTree.plan(plan, to));
    }
}
