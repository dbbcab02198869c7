package markturn.bench;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Locale;

/**
 * How long 20 000 points take to come in: uploaded, looked at in the preview, compared with the job and stored; beside a bare batch insert
 * of the same points into a table of the same database. Both alternate in one run.
 */
public final class IntakeBench {
    static final int POINTS = 20_000;
    private static final int ROUNDS = 5;
    private static final int WARM_UP = 8;
    private static final int BATCH = 500;

    private IntakeBench() {}

    /** The address of a running Mark Turn; the database stands in the environment as the application finds it. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String table = table();
        String token = visitor.token("/job");
        double[] whole = new double[ROUNDS];
        double[] taken = new double[ROUNDS];
        double[] bare = new double[ROUNDS];
        for (int i = -WARM_UP; i < ROUNDS; i++) {
            String job = visitor.bringIn(EMPTY);
            double inserted = inserted();
            long began = System.nanoTime();
            String preview = visitor.upload(job + "/intake", "points.csv", table, token);
            long looked = System.nanoTime();
            visitor.takeIn(preview, token);
            if (i >= 0) {
                whole[i] = (System.nanoTime() - began) / 1e6;
                taken[i] = (System.nanoTime() - looked) / 1e6;
                bare[i] = inserted;
            }
        }
        System.out.printf(Locale.ROOT, "%d points brought in, median of %d%n", POINTS, ROUNDS);
        System.out.printf(Locale.ROOT, "  uploaded, looked at, taken in %.0f ms%n", median(whole));
        System.out.printf(Locale.ROOT, "  taken in alone                %.0f ms%n", median(taken));
        System.out.printf(Locale.ROOT, "  bare batch insert             %.0f ms%n", median(bare));
        System.out.printf(
                Locale.ROOT,
                "  ratio                         %.2f whole, %.2f taken in alone%n",
                median(whole) / median(bare),
                median(taken) / median(bare));
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    static final String EMPTY =
            "{\"format\": \"mark-turn-job\", \"version\": 1, \"name\": \"intake\", \"units\": {\"length\": \"m\", \"angle\": \"dms\"}, \"marks\": [], \"setups\": []}";

    /** A square field of points with names a plan has to find room for. */
    static String table() {
        return table(POINTS);
    }

    /** The same of so many. */
    static String table(int points) {
        int side = (int) Math.ceil(Math.sqrt(points));
        StringBuilder text = new StringBuilder("name,northing,easting,elevation,code\n");
        for (int i = 0; i < points; i++) {
            text.append(String.format(
                    Locale.ROOT,
                    "%d,%.3f,%.3f,%.3f,TREE%n",
                    i + 1,
                    1000 + (i / side) * 3.7 + (i * 7 % 11) * 0.1,
                    5000 + (i % side) * 3.7 + (i * 5 % 13) * 0.1,
                    40 + (i % 97) * 0.01));
        }
        return text.toString();
    }

    private static double inserted() throws Exception {
        try (Connection database = DriverManager.getConnection(
                System.getenv("SPRING_DATASOURCE_URL"),
                System.getenv("MARKTURN_MIGRATION_USER"),
                System.getenv("MARKTURN_MIGRATION_PASSWORD"))) {
            try (Statement prepare = database.createStatement()) {
                prepare.execute("drop table if exists bench_point");
                prepare.execute(
                        "create table bench_point (name varchar(60) not null primary key, northing double, easting double, elevation double, code varchar(60))");
            }
            database.setAutoCommit(false);
            long began = System.nanoTime();
            try (PreparedStatement insert =
                    database.prepareStatement("insert into bench_point values (?, ?, ?, ?, ?)")) {
                for (int i = 0; i < POINTS; i++) {
                    insert.setString(1, "P" + i);
                    insert.setDouble(2, 1000 + i * 0.1);
                    insert.setDouble(3, 5000 + i * 0.2);
                    insert.setDouble(4, 40);
                    insert.setString(5, "TREE");
                    insert.addBatch();
                    if (i % BATCH == BATCH - 1) {
                        insert.executeBatch();
                    }
                }
                insert.executeBatch();
            }
            database.commit();
            double milliseconds = (System.nanoTime() - began) / 1e6;
            try (Statement tidy = database.createStatement()) {
                tidy.execute("drop table bench_point");
            }
            database.commit();
            return milliseconds;
        }
    }
}
