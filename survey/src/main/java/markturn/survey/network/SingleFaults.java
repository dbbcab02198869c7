package markturn.survey.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.result.MeasuredNetwork.Hidden;
import markturn.survey.result.SingleFault;
import markturn.survey.result.SingleFault.What;

/**
 * Every single fault of an adjusted network, tried one at a time: a reading, a reflector's constant, a centring, an instrument height, a
 * control mark. For each: how well it explains the residuals, and how far it could shift each mark if it were as large as its test lets
 * pass. W. Baarda's data snooping and external reliability; faults in two coordinates by the same non-centrality (his method B).
 */
final class SingleFaults {
    private final Map<String, Worst> inPlan = new HashMap<>();
    private final Map<String, Worst> inLevel = new HashMap<>();
    private final List<SingleFault> faults = new ArrayList<>();

    /** The farthest a mark can have been shifted so far. */
    private static final class Worst {
        private double shift;
        private What by;
        private What unseen;

        void take(double farther, What what) {
            if (farther > shift) {
                shift = farther;
                by = what;
            }
        }

        /** Nothing would show it. A sight says more than a control mark, which only more control can prove. */
        void anything(What what) {
            if (unseen == null || isOfControl(unseen)) {
                unseen = what;
            }
        }

        private static boolean isOfControl(What what) {
            return what.kind() == SingleFault.Kind.CONTROL_MARK || what.kind() == SingleFault.Kind.CONTROL_ELEVATION;
        }

        Hidden hidden() {
            return new Hidden(shift, Optional.ofNullable(by), Optional.ofNullable(unseen));
        }
    }

    /**
     * Tries them all.
     *
     * @param heights empty where there are none
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    SingleFaults(
            Part plan,
            Part heights,
            Map<String, NumberedPlace> places,
            Map<String, Integer> levels,
            DoubleConsumer progress) {
        places.keySet().forEach(mark -> inPlan.put(mark, new Worst()));
        levels.keySet().forEach(mark -> inLevel.put(mark, new Worst()));
        Hypotheses hypotheses = new Hypotheses(plan, heights, places, levels);
        List<Hypothesis> ofPlan =
                hypotheses.ofPlan((mark, what) -> inPlan.get(mark).anything(what));
        List<Hypothesis> ofHeights =
                hypotheses.ofHeights((mark, what) -> inLevel.get(mark).anything(what));
        double all = ofPlan.size() + ofHeights.size();
        int[] done = new int[1];
        List<Movable> marks = places.keySet().stream()
                .map(mark -> Movable.of(inPlan.get(mark), unknowns(places.get(mark)), plan.adjustment()))
                .toList();
        FaultTest.each(plan.adjustment(), ofPlan, trial -> {
            judge(trial, marks);
            progress.accept(++done[0] / all);
        });
        List<Movable> elevations = levels.keySet().stream()
                .map(mark -> Movable.of(inLevel.get(mark), new int[] {levels.get(mark)}, heights.adjustment()))
                .toList();
        FaultTest.each(heights.adjustment(), ofHeights, trial -> {
            judge(trial, elevations);
            progress.accept(++done[0] / all);
        });
        faults.sort(Comparator.comparingDouble(SingleFault::timesLimit).reversed());
    }

    /**
     * A mark, or its elevation, and the unknowns it moves by.
     *
     * @param spread the root of the sum of their variances: with a fault's reach it bounds how far that can shift it
     */
    private record Movable(Worst worst, int[] unknowns, double spread) {
        static Movable of(Worst worst, int[] unknowns, Adjustment in) {
            double variance = 0;
            for (int unknown : unknowns) {
                variance += unknown == NumberedPlace.HELD ? 0 : in.covariance(unknown, unknown);
            }
            return new Movable(worst, unknowns, Math.sqrt(variance));
        }
    }

    private void judge(FaultTest trial, List<Movable> marks) {
        trial.fault().ifPresent(faults::add);
        double reach = trial.reach();
        for (Movable mark : marks) {
            if (reach * mark.spread() <= mark.worst().shift) {
                continue;
            }
            OptionalDouble shift = trial.shift(mark.unknowns());
            if (shift.isPresent()) {
                mark.worst().take(shift.getAsDouble(), trial.what());
            } else {
                mark.worst().anything(trial.what());
            }
        }
    }

    Hidden hiddenInPlan(String mark) {
        return inPlan.get(mark).hidden();
    }

    Hidden hiddenInLevel(String mark) {
        return inLevel.get(mark).hidden();
    }

    /** What explains the residuals best, that first. */
    List<SingleFault> faults() {
        return faults;
    }

    private static int[] unknowns(NumberedPlace place) {
        return new int[] {place.north(), place.east()};
    }
}
