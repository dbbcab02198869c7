package markturn.bench;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * How long a booked reading takes to answer in a large job: stored, the whole job computed anew, the page told; beside the same request
 * that is only stored. Both alternate in one run.
 */
public final class BookingBench {
    private static final int SETUPS = 200;
    private static final int DETAIL = 17;
    private static final int LAST = 100;
    private static final int WARM_UP = 200;
    private static final int MEASURED = 100;

    private BookingBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String job = visitor.bringIn(ChainOfSetups.job(SETUPS, DETAIL));
        String token = visitor.token("/job");
        double[] told = new double[MEASURED];
        double[] stored = new double[MEASURED];
        for (int i = -WARM_UP; i < MEASURED; i++) {
            // By turns at the last setups, so that none of them grows beyond what a setup is.
            String setup = job + "/turning/S" + (SETUPS - Math.floorMod(i, LAST)) + "/reading";
            double one = visitor.posted(setup, shot(token, 2 * i), true);
            double other = visitor.posted(setup, shot(token, 2 * i + 1), false);
            if (i >= 0) {
                stored[i] = one;
                told[i] = other;
            }
        }
        double median = median(told);
        double medianStored = median(stored);
        System.out.printf(
                Locale.ROOT,
                "a booked reading in a job of %d setups and %d readings, median of %d%n",
                SETUPS,
                SETUPS * (8 + DETAIL),
                MEASURED);
        System.out.printf(Locale.ROOT, "  stored, computed, page told   %.1f ms%n", median);
        System.out.printf(Locale.ROOT, "  only stored                   %.1f ms%n", medianStored);
        System.out.printf(
                Locale.ROOT,
                "  ratio                         %.2f, %.1f ms above%n",
                median / medianStored,
                median - medianStored);
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    static Map<String, String> shot(String token, int number) {
        Map<String, String> form = new HashMap<>();
        form.put("_csrf", token);
        form.put("key", "bench-" + System.nanoTime());
        form.put("target", "X" + (10_000 + number));
        form.put("aside", "true");
        form.put("role", "detail");
        form.put("face", "left");
        form.put("reflector", "R");
        form.put("height", "1.5");
        form.put("circle", String.format(Locale.ROOT, "%.4f", 100 + 0.1 * ((number + 9000) % 900)));
        form.put("zenith", "90.0000");
        form.put("slope", "33.333");
        return form;
    }
}
