package markturn.tripod.turning;

import java.util.Comparator;
import java.util.OptionalInt;
import java.util.SortedMap;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * On which circle a closing sight was read. Without a set's number it belongs to the circle of the last set; where the circle was stepped
 * between the sets and has been turned back since, it fits an earlier one, and is held against that.
 */
final class ClosingCircle {
    /** Nearer than this a reading fits its circle: drift is smaller, and circles are stepped by more. Radians. */
    private static final double FITS = Math.toRadians(0.5);

    private ClosingCircle() {}

    /** The set whose circle a sight back fits; empty where it fits the last one, none, or was told apart already. */
    static OptionalInt of(Job job, MeasuredSetup setup, String target, Reading.Face face, Circle circle) {
        SortedMap<Integer, Double> zeros = setup.booked().zeros();
        String mark = job.trueName(target);
        boolean back =
                setup.setup().orientation().sights().stream().map(job::trueName).anyMatch(mark::equals);
        var direction = setup.sets(target).map(SetAbstract::direction);
        if (!back || zeros.size() < 2 || direction.isEmpty() || direction.get().isEmpty()) {
            return OptionalInt.empty();
        }
        double seen = circle.radians()
                - (face == Reading.Face.RIGHT ? Math.PI : 0)
                - direction.get().getAsDouble();
        int last = zeros.lastKey();
        // Circles that were not stepped all fit: the last one is meant.
        if (off(seen, zeros.get(last)) < FITS) {
            return OptionalInt.empty();
        }
        return zeros.entrySet().stream()
                .filter(zero -> off(seen, zero.getValue()) < FITS)
                .min(Comparator.comparingDouble(zero -> off(seen, zero.getValue())))
                .filter(zero -> !isTold(setup, target, face, zero.getKey()))
                .map(zero -> OptionalInt.of(zero.getKey()))
                .orElse(OptionalInt.empty());
    }

    private static double off(double seen, double zero) {
        return Math.abs(Angles.shortWay(seen - zero));
    }

    /** Two checks of one set on one face would be meaned as one sight. */
    private static boolean isTold(MeasuredSetup setup, String target, Reading.Face face, int set) {
        return setup.setup().readings().stream()
                .anyMatch(r -> r.role() == Reading.Role.CHECK
                        && r.target().equals(target)
                        && r.face() == face
                        && r.set().orElse(0) == set);
    }
}
