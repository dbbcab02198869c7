package markturn.bench;

import java.util.Arrays;
import java.util.Locale;

/**
 * The list of jobs and a search in it, where somebody has thousands of them, beside a page of the same frame that asks the database nothing
 * of jobs.
 */
public final class JobsBench {
    private static final int JOBS = 5000;
    private static final int SETUPS = 20;
    private static final int DETAIL = 17;
    private static final int ROUNDS = 41;

    private JobsBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String job = ChainOfSetups.job(SETUPS, DETAIL);
        for (int i = 0; i < JOBS; i++) {
            visitor.bringIn(job);
            if (i % 500 == 499) {
                System.out.printf(Locale.ROOT, "  %d jobs brought in%n", i + 1);
            }
        }
        while (visitor.text(visitor.address("/job?filter=all&page=" + (JOBS / 50 - 1)))
                .contains("not counted yet")) {
            Thread.sleep(1000);
        }
        System.out.printf(Locale.ROOT, "%d jobs of %d readings, median of %d%n", JOBS, SETUPS * (8 + DETAIL), ROUNDS);
        double empty = median(visitor, "/pocket");
        say("an empty page of the same frame", empty, empty);
        say("the list", median(visitor, "/job"), empty);
        say("the list by state", median(visitor, "/job?order=state"), empty);
        say("a search by the name of a mark", median(visitor, "/job?words=S17"), empty);
        say("a search that finds nothing", median(visitor, "/job?words=nothing+like+that"), empty);
        say("the last page of all", median(visitor, "/job?filter=all&page=" + (JOBS / 50 - 1)), empty);
    }

    private static void say(String what, double milliseconds, double empty) {
        System.out.printf(Locale.ROOT, "  %-34s %6.1f ms  %5.2f%n", what, milliseconds, milliseconds / empty);
    }

    private static double median(Visitor visitor, String path) throws Exception {
        double[] times = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            visitor.timed(visitor.address(path));
        }
        for (int i = 0; i < ROUNDS; i++) {
            times[i] = visitor.timed(visitor.address(path));
        }
        Arrays.sort(times);
        return times[ROUNDS / 2];
    }
}
