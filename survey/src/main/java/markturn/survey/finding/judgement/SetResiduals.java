package markturn.survey.finding.judgement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.job.Instrument;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * The residuals of sets as they are judged. As a rule those of the abstract; where one target's sets are apart by more than chance, the mean
 * shift of each set is taken from the other targets alone, so that a slip at one does not come out at all of them.
 */
public final class SetResiduals {
    /** A target whose residual lies so many deviations from the middle of the others does not speak for its set. */
    private static final double APART = 6;

    private final Map<String, List<OptionalDouble>> judged = new HashMap<>();

    SetResiduals(MeasuredSetup setup, Instrument instrument) {
        List<SetAbstract> shifted = setup.abstracts().stream()
                .filter(a -> a.sets() > 1 && isShifted(a))
                .toList();
        if (shifted.size() < 3) {
            return;
        }
        int sets = shifted.get(0).residuals().size();
        List<Double> shifts = new ArrayList<>();
        boolean slip = false;
        for (int set = 0; set < sets; set++) {
            int at = set;
            List<Double> raw = shifted.stream()
                    .filter(a -> a.residuals().get(at).isPresent())
                    .map(a -> raw(a, at))
                    .toList();
            double middle = middle(raw);
            List<Double> sound = raw.stream()
                    .filter(v -> Math.abs(v - middle) < APART * instrument.directionStdDev())
                    .toList();
            slip |= sound.size() < raw.size();
            shifts.add(sound.stream().mapToDouble(v -> v).average().orElse(middle));
        }
        if (slip) {
            shifted.forEach(a -> judged.put(a.target(), less(a, shifts)));
        }
    }

    /** Whether its set's mean shift was taken out: residuals of the abstract differ from mean less set then. */
    private static boolean isShifted(SetAbstract sets) {
        for (int i = 0; i < sets.residuals().size(); i++) {
            if (sets.residuals().get(i).isPresent()
                    && Math.abs(raw(sets, i) - sets.residuals().get(i).getAsDouble()) > 0) {
                return true;
            }
        }
        return false;
    }

    private static double raw(SetAbstract sets, int set) {
        return Angles.shortWay(
                sets.direction().getAsDouble() - sets.directions().get(set).getAsDouble());
    }

    private static double middle(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.isEmpty()
                ? 0
                : sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    private static List<OptionalDouble> less(SetAbstract sets, List<Double> shifts) {
        List<OptionalDouble> residuals = new ArrayList<>();
        for (int i = 0; i < sets.residuals().size(); i++) {
            residuals.add(
                    sets.residuals().get(i).isPresent()
                            ? OptionalDouble.of(raw(sets, i) - shifts.get(i))
                            : OptionalDouble.empty());
        }
        return residuals;
    }

    /** The residual of a target in a set, counted from 0; empty where there is none. */
    public OptionalDouble of(SetAbstract sets, int set) {
        return judged.getOrDefault(sets.target(), sets.residuals()).get(set);
    }
}
