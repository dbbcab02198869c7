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
    private static final double LEG = 80;
    private static final int LAST = 100;
    private static final int WARM_UP = 200;
    private static final int MEASURED = 100;

    private BookingBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String job = visitor.bringIn(job());
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

    private static Map<String, String> shot(String token, int number) {
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

    /** A chain of setups along a wave, each with two sets to both neighbours and detail about it. */
    private static String job() {
        double[] north = new double[SETUPS + 2];
        double[] east = new double[SETUPS + 2];
        for (int i = 0; i < north.length; i++) {
            north[i] = 1000 + 30 * Math.sin(i * 0.9);
            east[i] = 5000 + LEG * i;
        }
        StringBuilder marks = new StringBuilder();
        StringBuilder setups = new StringBuilder();
        for (int i = 0; i <= SETUPS + 1; i++) {
            boolean known = i < 2 || i > SETUPS - 1;
            marks.append(
                    known
                            ? String.format(
                                    Locale.ROOT,
                                    "{\"name\": \"T%d\", \"kind\": \"control\", \"northing\": %.4f, \"easting\": %.4f, \"elevation\": 10},",
                                    i,
                                    north[i],
                                    east[i])
                            : String.format("{\"name\": \"T%d\", \"kind\": \"new\"},", i));
        }
        for (int i = 1; i <= SETUPS; i++) {
            StringBuilder readings = new StringBuilder();
            for (int set = 1; set <= 2; set++) {
                for (int face = 0; face < 2; face++) {
                    sight(
                            readings,
                            "T" + (i - 1),
                            "backsight",
                            set,
                            face,
                            north[i - 1] - north[i],
                            east[i - 1] - east[i]);
                    sight(
                            readings,
                            "T" + (i + 1),
                            "foresight",
                            set,
                            face,
                            north[i + 1] - north[i],
                            east[i + 1] - east[i]);
                }
            }
            for (int d = 0; d < DETAIL; d++) {
                double azimuth = 0.37 * d;
                String name = "D" + i + "-" + d;
                marks.append("{\"name\": \"").append(name).append("\", \"kind\": \"located\"},");
                sight(readings, name, "detail", 0, 0, (10 + d) * Math.cos(azimuth), (10 + d) * Math.sin(azimuth));
            }
            setups.append(String.format(
                    "%s{\"name\": \"S%d\", \"station\": \"T%d\", \"method\": \"occupied\", \"instrument\": \"I\", \"instrumentHeight\": {\"value\": 1.5}, \"orientation\": {\"sights\": [\"T%d\"]}, \"readings\": [%s]}",
                    i == 1 ? "" : ",", i, i, i - 1, readings));
        }
        return """
                {"format": "mark-turn-job", "version": 1, "name": "booking", "units": {"length": "m", "angle": "deg"},
                 "instruments": [{"name": "I", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2}],
                 "reflectors": [{"name": "R", "centringStdDev": 0.001, "heightStdDev": 0.001}],
                 "marks": [%s],
                 "setups": [%s]}""".formatted(marks.substring(0, marks.length() - 1), setups);
    }

    private static void sight(
            StringBuilder readings, String target, String role, int set, int face, double north, double east) {
        double circle = Math.toDegrees(Math.atan2(east, north)) + 180 * face;
        readings.append(String.format(
                Locale.ROOT,
                "%s{\"target\": \"%s\", \"role\": \"%s\",%s \"face\": \"%s\", \"circle\": \"%.6f\", \"zenith\": \"%d\", \"slope\": %.4f, \"reflector\": \"R\", \"targetHeight\": {\"value\": 1.5}}",
                readings.length() == 0 ? "" : ",",
                target,
                role,
                set == 0 ? "" : " \"set\": " + set + ",",
                face == 0 ? "left" : "right",
                (circle + 720) % 360,
                face == 0 ? 90 : 270,
                Math.hypot(north, east)));
    }
}
