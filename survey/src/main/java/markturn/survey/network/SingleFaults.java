package markturn.survey.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleConsumer;
import markturn.survey.adjust.AtOnce;
import markturn.survey.adjust.FarthestShift;
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
        progress.accept(0);
        List<Movable> marks = new ArrayList<>();
        places.forEach((mark, place) ->
                marks.add(new Movable(worst(inPlan, mark), new int[] {place.north(), place.east()})));
        List<Movable> elevations = new ArrayList<>();
        levels.forEach((mark, level) -> elevations.add(new Movable(worst(inLevel, mark), new int[] {level})));
        Hypotheses hypotheses = new Hypotheses(plan, heights, places, levels);
        List<Hypothesis> ofPlan =
                hypotheses.ofPlan((mark, what) -> inPlan.get(mark).anything(what));
        List<Hypothesis> ofHeights =
                hypotheses.ofHeights((mark, what) -> inLevel.get(mark).anything(what));
        double shareOfPlan = ofPlan.size() / Math.max(1.0, ofPlan.size() + ofHeights.size());
        tryEach(plan, ofPlan, marks, share -> progress.accept(share * shareOfPlan));
        tryEach(heights, ofHeights, elevations, share -> progress.accept(shareOfPlan + share * (1 - shareOfPlan)));
        faults.sort(Comparator.comparingDouble(SingleFault::timesLimit).reversed());
    }

    private static Worst worst(Map<String, Worst> of, String mark) {
        return of.computeIfAbsent(mark, name -> new Worst());
    }

    /** A mark, or its elevation, and the unknowns it moves by. */
    private record Movable(Worst worst, int[] unknowns) {}

    /** The test of a fault that stands near together and shows, how well it explains the residuals, and whose errors it covers. */
    private record Near(FaultTest test, Optional<SingleFault> fault, Set<Integer> covered) {}

    /** Those that stand near together and show are searched; of any other all that it does is computed. */
    private void tryEach(Part part, List<Hypothesis> hypotheses, List<Movable> marks, DoubleConsumer progress) {
        if (hypotheses.isEmpty()) {
            return;
        }
        FarthestShift farthest = part.adjustment()
                .farthestShift(marks.stream().map(Movable::unknowns).toArray(int[][]::new));
        List<Optional<Near>> tried = AtOnce.of(
                hypotheses,
                hypothesis -> FaultTest.near(part.adjustment(), hypothesis)
                        .filter(FaultTest::isBounded)
                        .map(test -> new Near(test, test.fault(), test.covered())));
        Set<Integer> covered = new HashSet<>();
        tried.forEach(trial -> trial.ifPresent(near -> covered.addAll(near.covered())));
        List<Hypothesis> apart = new ArrayList<>();
        for (int i = 0; i < hypotheses.size(); i++) {
            if (tried.get(i).isEmpty()) {
                apart.add(hypotheses.get(i));
                continue;
            }
            Near near = tried.get(i).get();
            near.fault().ifPresent(faults::add);
            if (!hypotheses.get(i).isIn(covered)) {
                farthest.add(i, near.test().atItsLimit());
            }
        }
        FaultTest.each(part.adjustment(), apart, trial -> {
            trial.fault().ifPresent(faults::add);
            judge(trial, marks);
            progress.accept(0);
        });
        for (int i = 0; i < marks.size(); i++) {
            farthest.atLeast(i, marks.get(i).worst().shift);
        }

        farthest.search(progress);
        for (int i = 0; i < marks.size(); i++) {
            if (farthest.by(i) >= 0) {
                marks.get(i)
                        .worst()
                        .take(farthest.shift(i), hypotheses.get(farthest.by(i)).what());
            }
        }
    }

    private static void judge(FaultTest trial, List<Movable> marks) {
        for (Movable mark : marks) {
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
}
