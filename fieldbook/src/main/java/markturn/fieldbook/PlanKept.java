package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.plan.WorkPlan;

/** A plan of the work, kept with the job. The same name again takes the place of the earlier; one with nothing in it is no plan. */
public record PlanKept(WorkPlan plan) implements EntryPayload {
    /** So many setups, and so many wanted marks, a plan has at most. */
    public static final int MOST = 200;

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
        if (plan.setups().size() > MOST || plan.wanted().size() > MOST) {
            throw new Refused("plan", "Expected at most " + MOST + " setups and " + MOST + " wanted marks");
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
