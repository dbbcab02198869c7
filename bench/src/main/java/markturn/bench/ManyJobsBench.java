package markturn.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * The sheets of many jobs, asked for in no order, of an application whose heap does not hold all of them: of a hundred jobs beside sixteen.
 * The slowest answer says whether it still goes on.
 */
public final class ManyJobsBench {
    private static final int SETUPS = 200;
    private static final int DETAIL = 17;
    private static final int FEW = 16;
    private static final int MANY = 100;
    private static final int WARM_UP = 40;
    private static final int MEASURED = 400;

    private ManyJobsBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String file = ChainOfSetups.job(SETUPS, DETAIL);
        List<String> jobs = new ArrayList<>();
        for (int i = 0; i < MANY; i++) {
            jobs.add(visitor.bringIn(file));
        }
        System.out.printf(
                Locale.ROOT,
                "sheets of jobs of %d setups and %d readings, in no order, with a heap of 1 GB%n",
                SETUPS,
                SETUPS * (8 + DETAIL));
        double few = measured(visitor, jobs.subList(0, FEW));
        double many = measured(visitor, jobs);
        System.out.printf(Locale.ROOT, "  95 of 100 with %d jobs, of that with %d: %.1f%n", MANY, FEW, many / few);
    }

    /** Within how many milliseconds 95 of 100 were answered. */
    private static double measured(Visitor visitor, List<String> jobs) throws Exception {
        Random random = new Random(1);
        double[] times = new double[MEASURED];
        for (int i = -WARM_UP; i < MEASURED; i++) {
            String sheet = jobs.get(random.nextInt(jobs.size())) + "/turning/S" + (1 + random.nextInt(SETUPS));
            long began = System.nanoTime();
            visitor.text(sheet);
            if (i >= 0) {
                times[i] = (System.nanoTime() - began) / 1e6;
            }
        }
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "  %3d jobs: median %5.0f ms, 95 of 100 within %5.0f, the slowest %5.0f%n",
                jobs.size(),
                times[MEASURED / 2],
                times[(int) (0.95 * MEASURED)],
                times[MEASURED - 1]);
        return times[(int) (0.95 * MEASURED)];
    }
}
