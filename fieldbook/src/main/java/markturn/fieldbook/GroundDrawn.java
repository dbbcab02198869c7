package markturn.fieldbook;

import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Obstacle;

/** What stands on the ground of a job: it takes the place of what was drawn before. */
public record GroundDrawn(Ground ground) implements EntryPayload {
    /** So many obstacles are kept. */
    public static final int MOST = 500;

    /** So many corners they have together. */
    public static final int MOST_CORNERS = 5000;

    static GroundDrawn read(Element of, int revision) {
        return new GroundDrawn(PlanTree.ground(of));
    }

    @Override
    public Kind kind() {
        return Kind.GROUND;
    }

    @Override
    public void require(BookedJob book) {
        int corners = 0;
        for (Obstacle obstacle : ground.obstacles()) {
            corners += obstacle.corners().size();
        }
        if (ground.obstacles().size() > MOST || corners > MOST_CORNERS) {
            throw new Refused(
                    "ground",
                    "Expected at most " + MOST + " obstacles with " + MOST_CORNERS + " corners together, here are "
                            + ground.obstacles().size() + " with " + corners);
        }
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.state().ground(ground);
    }

    @Override
    public Fields written(JobWriter to) {
        return PlanTree.ground(ground, to);
    }
}
