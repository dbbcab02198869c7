package markturn.bench;

import java.util.Arrays;
import java.util.Locale;

/**
 * The page of a network beside the run that it shows: asked for by the first visitor, who waits for the job to be computed and adjusted, and
 * again when the run is kept, each beside a page that shows no network.
 */
public final class NetworkPageBench {
    private static final int SETUPS = 800;
    private static final int LINES = 25;
    private static final int ROUNDS = 15;

    private NetworkPageBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String job = visitor.bringIn(ChainOfSetups.job(SETUPS, LINES));
        String network = job + "/network";
        // What the job gives without its network is computed before.
        visitor.timed(job + "/review");
        long began = System.nanoTime();
        while (visitor.text(network).contains("id=\"under-way\"")) {
            Thread.sleep(10);
        }
        double first = (System.nanoTime() - began) / 1e6;
        double[] kept = new double[ROUNDS];
        double[] other = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            kept[round] = visitor.timed(network);
            other[round] = visitor.timed(job + "/register");
        }
        double page = median(kept);
        System.out.printf(Locale.ROOT, "the page of a network of %d setups and %d lines%n", SETUPS, SETUPS * LINES);
        System.out.printf(Locale.ROOT, "  adjusted and shown %7.0f ms%n", first);
        System.out.printf(
                Locale.ROOT,
                "  shown again        %7.0f ms, %.2f of its run; a page without a network %.0f ms%n",
                page,
                page / (first - page),
                median(other));
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
