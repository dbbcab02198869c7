package markturn.bench;

import java.util.Arrays;
import java.util.Locale;
import markturn.simulator.Campaigns;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.ClassOfWork.Preset;

/**
 * How long it takes to try every single fault of a network, beside the adjustment before it: squares of marks, every one occupied and every
 * neighbour sighted. The steps before the first fault are the adjustment and its first report of progress; what follows the last is the report, which is not counted.
 */
public final class FaultBench {
    private static final int[] SIDES = {10, 14, 20, 28};
    private static final int WARM_UP = 3;
    private static final int ROUNDS = 5;

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
            double[] adjusting = new double[ROUNDS];
            double[] trying = new double[ROUNDS];
            for (int round = 0; round < ROUNDS; round++) {
                long began = System.nanoTime();
                long[] told = new long[2];
                Survey.network(computed, share -> {
                    told[1] = System.nanoTime();
                    told[0] = told[0] == 0 ? told[1] : told[0];
                });
                adjusting[round] = (told[0] - began) / 1e6;
                trying[round] = (told[1] - told[0]) / 1e6;
            }
            Arrays.sort(adjusting);
            Arrays.sort(trying);
            double before = adjusting[ROUNDS / 2];
            if (i >= 0) {
                faults[i] = trying[ROUNDS / 2];
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
