package markturn.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * How long a booked reading takes to answer: stored, the whole job computed anew, the page told; beside the same request that is only
 * stored, and beside a bare row through the same framework. In a large job, in setups of 25 to 2 000 lines, and beside 100 000 points that
 * came in with a file. The three alternate in one run.
 */
public final class BookingBench {
    private static final int SETUPS = 200;
    private static final int FEW_SETUPS = 4;
    private static final int SIGHTS = 8;
    private static final int[] LINES = {25, 500, 2_000};
    private static final int IMPORTED = 100_000;
    private static final int WARM_UP = 200;
    private static final int MEASURED = 100;

    private final Visitor visitor;
    private final String bareRow;

    private BookingBench(Visitor visitor, String bareRow) {
        this.visitor = visitor;
        this.bareRow = bareRow;
    }

    /**
     * The addresses of a running Mark Turn with its demo accounts and of the bare application; the database stands in the environment as
     * the applications find it.
     */
    public static void main(String[] arguments) throws Exception {
        prepare();
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        BookingBench bench = new BookingBench(visitor, arguments[1] + "/row");
        System.out.printf(
                Locale.ROOT, "a booked reading, median and 95 of 100, beside a bare row; of %d each%n", MEASURED);
        String large = visitor.bringIn(ChainOfSetups.job(SETUPS, LINES[0] - SIGHTS));
        bench.measure("200 setups of 25 lines", large, SETUPS, WARM_UP);
        for (int lines : LINES) {
            String job = visitor.bringIn(ChainOfSetups.job(FEW_SETUPS, lines - SIGHTS));
            bench.measure(FEW_SETUPS + " setups of " + lines + " lines", job, FEW_SETUPS, WARM_UP / 4);
        }
        visitor.takeIn(
                visitor.upload(large + "/intake", "points.csv", IntakeBench.table(IMPORTED), visitor.token("/job")),
                visitor.token("/job"));
        bench.measure("200 setups, 100 000 points", large, SETUPS, WARM_UP / 4);
    }

    private void measure(String what, String job, int setups, int warmUp) throws Exception {
        String token = visitor.token("/job");
        double[] told = new double[MEASURED];
        double[] stored = new double[MEASURED];
        double[] bare = new double[MEASURED];
        double[] bytes = new double[MEASURED];
        Map<String, Map<String, String>> shown = new HashMap<>();
        for (int i = -warmUp; i < MEASURED; i++) {
            // By turns, so that no setup grows beyond what is said.
            String sheet = job + "/turning/S" + (1 + Math.floorMod(i, setups));
            if (!shown.containsKey(sheet)) {
                shown.put(sheet, Visitor.shown(visitor.text(sheet)));
            }
            double one = visitor.posted(sheet + "/reading", shot(token, 2 * i));
            Map<String, String> shot = shot(token, 2 * i + 1);
            shot.putAll(shown.get(sheet));
            Visitor.Answer answer = visitor.told(sheet + "/reading", shot);
            shown.get(sheet).put("since", answer.revision());
            double row = visitor.posted(bareRow, Map.of("text", "a line"));
            if (i >= 0) {
                stored[i] = one;
                told[i] = answer.milliseconds();
                bytes[i] = answer.bytes();
                bare[i] = row;
            }
        }
        System.out.printf(
                Locale.ROOT,
                "  %-27s told %5.1f and %5.1f ms in %.1f kB, only stored %5.1f and %5.1f, a bare row %4.1f and %4.1f; ratio %.1f to stored, %.1f to bare%n",
                what,
                part(told, 0.5),
                part(told, 0.95),
                part(bytes, 0.5) / 1000,
                part(stored, 0.5),
                part(stored, 0.95),
                part(bare, 0.5),
                part(bare, 0.95),
                part(told, 0.5) / part(stored, 0.5),
                part(told, 0.5) / part(bare, 0.5));
    }

    private static double part(double[] times, double share) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[(int) (share * sorted.length)];
    }

    /** The table of the bare rows. */
    private static void prepare() throws Exception {
        try (Connection database = DriverManager.getConnection(
                        System.getenv("SPRING_DATASOURCE_URL"),
                        System.getenv("SPRING_FLYWAY_USER"),
                        System.getenv("SPRING_FLYWAY_PASSWORD"));
                Statement make = database.createStatement()) {
            make.execute(
                    "create table if not exists bench_row (id bigint auto_increment primary key, text varchar(255))");
        }
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
