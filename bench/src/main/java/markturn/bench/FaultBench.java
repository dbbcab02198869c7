package markturn.bench;

import java.util.Locale;
import markturn.simulator.Campaigns;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.ClassOfWork.Preset;

/**
 * How long it takes to try every single fault of a network, beside the adjustment before it: squares of marks, every one occupied and every
 * neighbour sighted. The steps before the first fault are the adjustment, on one datum and with least constraint.
 */
public final class FaultBench {
    private static final int[] SIDES = {10, 14, 20, 28};
    private static final int WARM_UP = 3;

    private FaultBench() {}

    /** No arguments. */
    public static void main(String[] arguments) {
        System.out.println("  setups   adjustment, ms   single faults, ms   ratio");
        double[] faults = new double[SIDES.length];
        int[] setups = new int[SIDES.length];
        for (int i = -WARM_UP; i < SIDES.length; i++) {
            SurveyResult computed = Survey.compute(
                    Campaigns.network(1, SIDES[Math.max(i, 0)], Preset.ENGINEERING, Campaigns.instrument(1))
                            .campaign()
                            .job());
            long began = System.nanoTime();
            long[] first = new long[1];
            Survey.network(computed, share -> first[0] = first[0] == 0 ? System.nanoTime() : first[0]);
            double whole = (System.nanoTime() - began) / 1e6;
            double before = (first[0] - began) / 1e6;
            if (i >= 0) {
                faults[i] = whole - before;
                setups[i] = computed.measured().setups().size();
                System.out.printf(
                        Locale.ROOT,
                        "  %6d   %14.0f   %17.0f   %5.1f%n",
                        setups[i],
                        before,
                        faults[i],
                        faults[i] / before);
            }
        }
        int last = SIDES.length - 1;
        System.out.printf(
                Locale.ROOT,
                "  growth of the single faults from %d to %d setups: exponent %.2f%n",
                setups[0],
                setups[last],
                Math.log(faults[last] / faults[0]) / Math.log((double) setups[last] / setups[0]));
    }
}
