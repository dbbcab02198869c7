package markturn.survey.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleConsumer;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.result.Position;

/**
 * What it takes: setups, sights and sets that give the wanted marks what is asked of them, in as few minutes as are found. First whatever
 * brings most a minute is added, then whatever can be spared is left out, the dearest first, then setups are exchanged for cheaper ones. The same
 * is asked, the same is answered.
 *
 * @param plan with the proposed setups; where it cannot be had, the best that was found
 * @param shortfalls what is asked and not reached; empty where all is
 */
public record Proposal(WorkPlan plan, List<Shortfall> shortfalls) {
    /** So many sets are proposed at most. */
    public static final int MOST_SETS = 4;

    /** 95 % of a normal deviate. */
    public static final double LINE_95 = 1.96;

    static final double NOTHING = 1e-9;

    public Proposal {
        shortfalls = List.copyOf(shortfalls);
    }

    /** What can be asked of a mark. */
    public enum Asked {
        PLAN("in plan"),
        ELEVATION("in elevation"),
        HIDDEN("hidden error");

        private final String words;

        Asked(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Something that is asked and not reached.
     *
     * @param reached metres; empty where nothing bounds it
     */
    public record Shortfall(String mark, Asked asked, double limit, OptionalDouble reached) {}

    /** Whether all that is asked is reached. */
    public boolean isMet() {
        return shortfalls.isEmpty();
    }

    /**
     * Looks for setups.
     *
     * @param asked with the wanted marks and what work takes; its own setups are not looked at
     * @param candidates setups that could be made, each with all it could sight; their sets are chosen here
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    public static Proposal of(Site site, WorkPlan asked, List<PlannedSetup> candidates, DoubleConsumer progress) {
        return new ProposalSearch(site, asked, candidates, progress).found();
    }

    /**
     * Whether setups can be made one after the other, each turned in by control as far as it could sight any: a mark that only another setup
     * found is no backsight to rely on.
     */
    static boolean isWorkable(Set<String> control, List<PlannedSetup> setups) {
        return WorkOrder.of(control, setups).stuck().isEmpty();
    }

    /**
     * What of a plan's promises is not kept.
     *
     * @return empty where all that is asked is reached
     */
    public static List<Shortfall> shortfalls(Site site, WorkPlan plan) {
        ForeseenNetwork network = site.foresee(plan, ForeseenNetwork.Depth.ALL);
        List<Shortfall> missed = new ArrayList<>();
        for (WantedMark mark : plan.wanted()) {
            var found = network.mark(mark.name());
            Optional<Position> at = found.map(m -> m.position());
            mark.plan()
                    .ifPresent(limit -> miss(
                            missed,
                            mark,
                            Asked.PLAN,
                            limit,
                            at.map(p -> OptionalDouble.of(
                                            p.plan().ellipse().of95().semiMajor()))
                                    .orElse(OptionalDouble.empty())));
            mark.elevation()
                    .ifPresent(limit -> miss(
                            missed,
                            mark,
                            Asked.ELEVATION,
                            limit,
                            at.filter(p -> network.why().isEmpty()
                                            && p.elevationVariance().isPresent())
                                    .map(p -> OptionalDouble.of(LINE_95
                                            * Math.sqrt(p.elevationVariance().getAsDouble())))
                                    .orElse(OptionalDouble.empty())));
            mark.hidden()
                    .ifPresent(limit -> miss(
                            missed,
                            mark,
                            Asked.HIDDEN,
                            limit,
                            found.map(m -> m.plan().worst()).orElse(OptionalDouble.empty())));
        }
        return missed;
    }

    private static void miss(
            List<Shortfall> missed, WantedMark mark, Asked asked, double limit, OptionalDouble reached) {
        if (reached.isEmpty() || reached.getAsDouble() > limit * (1 + NOTHING)) {
            missed.add(new Shortfall(mark.name(), asked, limit, reached));
        }
    }

    /**
     * Setups that could be made: one on each mark, and free ones where the ground is worth most, each sighting all that it sees.
     *
     * @param instrument of the job
     * @param reflector that the marks carry
     * @param free so many free places at most
     */
    public static List<PlannedSetup> candidates(
            Site site, WorkPlan plan, String instrument, String reflector, int free) {
        return Candidates.of(site, plan, instrument, reflector, free);
    }
}
