package markturn.bench;

import java.util.Locale;

/** A made-up job of any size, as the measurements ask for it. */
final class ChainOfSetups {
    private static final double LEG = 80;

    private ChainOfSetups() {}

    /** A chain of setups along a wave, each with two sets to both neighbours and detail about it. */
    static String job(int count, int detail) {
        double[] north = new double[count + 2];
        double[] east = new double[count + 2];
        for (int i = 0; i < north.length; i++) {
            north[i] = 1000 + 30 * Math.sin(i * 0.9);
            east[i] = 5000 + LEG * i;
        }
        StringBuilder marks = new StringBuilder();
        StringBuilder setups = new StringBuilder();
        for (int i = 0; i <= count + 1; i++) {
            boolean known = i < 2 || i > count - 1;
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
        for (int i = 1; i <= count; i++) {
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
            for (int d = 0; d < detail; d++) {
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
