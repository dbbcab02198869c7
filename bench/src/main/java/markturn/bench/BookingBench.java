package markturn.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * How long a booked reading takes to answer: stored, the whole job computed anew, the page told; beside the same request that is only
 * stored, and beside a bare row through the same framework. In a large job, in setups of 25 to 2 000 lines, and beside 100 000 points that
 * came in with a file; this last in turn with the same job without them. The three alternate in one run.
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
    /** Points are numbered through, so that each is new in its job. */
    private int booked;

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
        Job large = new Job(
                "200 setups of 25 lines", visitor.bringIn(ChainOfSetups.job(SETUPS, LINES[0] - SIGHTS)), SETUPS);
        bench.measure(WARM_UP, large);
        for (int lines : LINES) {
            String job = visitor.bringIn(ChainOfSetups.job(FEW_SETUPS, lines - SIGHTS));
            bench.measure(WARM_UP / 4, new Job(FEW_SETUPS + " setups of " + lines + " lines", job, FEW_SETUPS));
        }
        String twin = visitor.bringIn(ChainOfSetups.job(SETUPS, LINES[0] - SIGHTS));
        visitor.takeIn(
                visitor.upload(twin + "/intake", "points.csv", IntakeBench.table(IMPORTED), visitor.token("/job")),
                visitor.token("/job"));
        // In turn, by a program that is as warm for the one as for the other.
        bench.measure(WARM_UP / 4, large, new Job("the same, 100 000 points", twin, SETUPS));
    }

    /** A job in which lines are booked, by turns at its setups. */
    private record Job(String what, String address, int setups) {}

    /** Of one line: milliseconds told, only stored and of a bare row, and bytes of the answer. */
    private record Line(double told, double stored, double bare, double bytes) {}

    private void measure(int warmUp, Job... jobs) throws Exception {
        String token = visitor.token("/job");
        Map<Job, List<Line>> lines = new LinkedHashMap<>();
        Map<String, Map<String, String>> shown = new HashMap<>();
        for (int i = -warmUp; i < MEASURED; i++) {
            for (Job job : jobs) {
                Line line = booked(job, i, token, shown);
                if (i >= 0) {
                    lines.computeIfAbsent(job, j -> new ArrayList<>()).add(line);
                }
            }
        }
        lines.forEach((job, all) -> say(job.what(), all));
    }

    private Line booked(Job job, int number, String token, Map<String, Map<String, String>> shown) throws Exception {
        // By turns, so that no setup grows beyond what is said.
        String sheet = job.address() + "/turning/S" + (1 + Math.floorMod(number, job.setups()));
        if (!shown.containsKey(sheet)) {
            shown.put(sheet, Visitor.shown(visitor.text(sheet)));
        }
        booked++;
        double stored = visitor.posted(sheet + "/reading", shot(token, 2 * booked));
        Map<String, String> shot = shot(token, 2 * booked + 1);
        shot.putAll(shown.get(sheet));
        Visitor.Answer answer = visitor.told(sheet + "/reading", shot);
        shown.get(sheet).put("since", answer.revision());
        double row = visitor.posted(bareRow, Map.of("text", "a line"));
        return new Line(answer.milliseconds(), stored, row, answer.bytes());
    }

    private static void say(String what, List<Line> lines) {
        double[] told = lines.stream().mapToDouble(Line::told).toArray();
        double[] stored = lines.stream().mapToDouble(Line::stored).toArray();
        double[] bare = lines.stream().mapToDouble(Line::bare).toArray();
        double[] bytes = lines.stream().mapToDouble(Line::bytes).toArray();
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
                        System.getenv("MARKTURN_MIGRATION_USER"),
                        System.getenv("MARKTURN_MIGRATION_PASSWORD"));
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
