package markturn.survey.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import markturn.survey.job.Reading;

/** A plan of which something was found different on the ground: setups that are still to be made sight more, or are turned in more sets,
 * where that helps. */
public final class Replanned {
    private static final double NOTHING = 1e-9;

    /** What nothing bounds is worse than anything that has a size. */
    private static final double UNBOUNDED = 20;

    private Replanned() {}

    /** Whether a setup may be given a sight that it did not have. */
    public interface MaySight {
        boolean test(PlannedSetup setup, String target);
    }

    /**
     * Plans the rest again.
     *
     * @param plan as it is left
     * @param isMade whether a setup stands already: nothing of it is changed any more
     * @param maySight whether a setup may sight a control mark too; those found gone or hidden it may not
     * @return the plan with as few sets and sights more as give what is asked; as it is where nothing helps
     */
    public static WorkPlan of(Site site, WorkPlan plan, Predicate<PlannedSetup> isMade, MaySight maySight) {
        WorkPlan best = plan;
        double missed = missed(site, plan);
        Set<String> control = site.control();
        while (missed > 0) {
            WorkPlan better = null;
            double least = missed;
            for (WorkPlan tried : more(site, best, isMade, maySight)) {
                double left = missed(site, tried);
                if (left < least - NOTHING && Proposal.isWorkable(control, tried.setups())) {
                    least = left;
                    better = tried;
                }
            }
            if (better == null) {
                return best;
            }
            best = better;
            missed = least;
        }
        return best;
    }

    /** How far the plan is from what is asked: 0 where nothing is missed. */
    private static double missed(Site site, WorkPlan plan) {
        return Proposal.shortfalls(site, plan).stream()
                .mapToDouble(m -> m.reached().isPresent() ? Math.log(m.reached().getAsDouble() / m.limit()) : UNBOUNDED)
                .sum();
    }

    /** What could be done besides, the cheaper first. */
    private static List<WorkPlan> more(Site site, WorkPlan plan, Predicate<PlannedSetup> isMade, MaySight maySight) {
        List<WorkPlan> all = new ArrayList<>();
        for (int i = 0; i < plan.setups().size(); i++) {
            PlannedSetup setup = plan.setups().get(i);
            if (isMade.test(setup)) {
                continue;
            }
            for (String mark : site.control()) {
                boolean sighted =
                        setup.aims().stream().anyMatch(aim -> aim.target().equals(mark));
                boolean able = !mark.equals(setup.station())
                        && !sighted
                        && !setup.aims().isEmpty();
                if (able
                        && maySight.test(setup, mark)
                        && site.sight(plan, setup, mark).isSeen()) {
                    List<PlannedSetup.Aim> aims = new ArrayList<>(setup.aims());
                    aims.add(
                            0,
                            new PlannedSetup.Aim(
                                    mark, Reading.Role.BACKSIGHT, aims.get(0).reflector()));
                    all.add(replaced(plan, i, setup.sighting(aims)));
                }
            }
            for (int sets = setup.sets() + 1; sets <= Proposal.MOST_SETS; sets++) {
                all.add(replaced(plan, i, setup.in(sets)));
            }
        }
        all.sort(Comparator.comparingDouble(WorkPlan::takes));
        return all;
    }

    private static WorkPlan replaced(WorkPlan plan, int at, PlannedSetup by) {
        List<PlannedSetup> setups = new ArrayList<>(plan.setups());
        setups.set(at, by);
        return plan.with(setups);
    }
}
