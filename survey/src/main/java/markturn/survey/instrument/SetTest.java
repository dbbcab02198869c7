package markturn.survey.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeSet;
import markturn.survey.angle.Angles;
import markturn.survey.chance.Distributions;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.MeasuredSetup;

/**
 * The directions of one series after ISO 17123-3: targets turned in sets on both faces, each set brought to a common zero, each target to its
 * mean; {@code s = √(Σr²/ν)}, {@code ν = (sets − 1)(targets − 1)}. The formulas from memory.
 *
 * @param targets that every counted set holds on both faces
 * @param sets how many of these
 */
public record SetTest(List<String> targets, int sets, Pooled pooled) {
    /** What the standard asks of a series. */
    public static final int TARGETS = 5;

    public static final int SETS = 3;

    private static final double CONFIDENCE = 0.05;

    /** Of a setup: of the targets and sets that are whole. */
    public static SetTest directions(MeasuredSetup setup) {
        List<PolarFix> fixes = setup.booked().onBothFaces().stream()
                .filter(fix -> !fix.single() && full(fix).size() > 1)
                .toList();
        TreeSet<Integer> common = new TreeSet<>();
        for (PolarFix fix : fixes) {
            if (common.isEmpty()) {
                common.addAll(full(fix));
            } else {
                common.retainAll(full(fix));
            }
        }
        List<String> targets = fixes.stream().map(PolarFix::target).toList();
        if (fixes.size() < 2 || common.size() < 2) {
            return new SetTest(targets, common.size(), Pooled.NONE);
        }
        List<SortedMap<Integer, FaceMeans>> means =
                fixes.stream().map(fix -> fix.pointings().means().bySet()).toList();
        double[][] d = new double[common.size()][fixes.size()];
        int row = 0;
        for (int set : common) {
            for (int i = 0; i < fixes.size(); i++) {
                double direction = means.get(i).get(set).direction();
                double zero = means.get(0).get(set).direction();
                double first = means.get(i).get(common.first()).direction()
                        - means.get(0).get(common.first()).direction();
                // Counted from the first set, so that nothing lies across the circle's zero.
                d[row][i] = Angles.shortWay(direction - zero - first);
            }
            row++;
        }
        return new SetTest(targets, common.size(), new Pooled(squares(d), (common.size() - 1) * (fixes.size() - 1)));
    }

    private static List<Integer> full(PolarFix fix) {
        Map<Integer, FaceMeans> bySet = fix.pointings().means().bySet();
        List<Integer> full = new ArrayList<>();
        bySet.forEach((set, means) -> {
            if (means.bothFaces()) {
                full.add(set);
            }
        });
        return full;
    }

    /** Of a table with its rows and columns brought to their means. */
    private static double squares(double[][] d) {
        int sets = d.length;
        int targets = d[0].length;
        double[] ofSet = new double[sets];
        double[] ofTarget = new double[targets];
        double all = 0;
        for (int j = 0; j < sets; j++) {
            for (int i = 0; i < targets; i++) {
                ofSet[j] += d[j][i] / targets;
                ofTarget[i] += d[j][i] / sets;
                all += d[j][i] / sets / targets;
            }
        }
        double squares = 0;
        for (int j = 0; j < sets; j++) {
            for (int i = 0; i < targets; i++) {
                double residual = d[j][i] - ofSet[j] - ofTarget[i] + all;
                squares += residual * residual;
            }
        }
        return squares;
    }

    /** Whether it is as much as the standard asks of a series. */
    public boolean isWhole() {
        return targets.size() >= TARGETS && sets >= SETS;
    }

    /** What {@code s} may reach where the instrument is as good as stated: {@code σ √(χ²₀.₉₅(ν)/ν)}; radians. */
    public static double limit(double stated, int degrees) {
        return stated * Math.sqrt(Distributions.chiSquare(degrees, CONFIDENCE) / degrees);
    }
}
