package markturn.bench;

import java.util.Arrays;
import java.util.Locale;

/**
 * How fast a switch of the resection's review answers, with 12 marks, against an empty request to the same server: a small file that is
 * there. Both alternate in one run; the numbers are 95th percentiles, after a warm-up.
 */
public final class WhatIfBench {
    private static final int MARKS = 12;
    private static final int WARM_UP = 400;
    private static final int MEASURED = 600;

    private final Visitor visitor;

    private WhatIfBench(Visitor visitor) {
        this.visitor = visitor;
    }

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        new WhatIfBench(new Visitor(arguments[0])).run();
    }

    private void run() throws Exception {
        visitor.signIn();
        String job = visitor.bringIn(job());
        String whatIf = job + "/review/S1/what-if?scale=false&off=M3:direction%0AM3:distance";
        String nothing = visitor.address("/favicon.svg");
        double[] asked = new double[MEASURED];
        double[] empty = new double[MEASURED];
        for (int i = -WARM_UP; i < MEASURED; i++) {
            double one = visitor.timed(nothing);
            double other = visitor.timed(i % 2 == 0 ? whatIf : whatIf.replace("M3", "M7"));
            if (i >= 0) {
                empty[i] = one;
                asked[i] = other;
            }
        }
        double p95 = percentile(asked);
        double p95Empty = percentile(empty);
        System.out.printf(Locale.ROOT, "a switch of a resection on %d marks, 95th percentile of %d%n", MARKS, MEASURED);
        System.out.printf(Locale.ROOT, "  a switch           %.2f ms%n", p95);
        System.out.printf(Locale.ROOT, "  an empty request   %.2f ms%n", p95Empty);
        System.out.printf(Locale.ROOT, "  ratio              %.2f%n", p95 / p95Empty);
    }

    private static double percentile(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[(int) (0.95 * sorted.length)];
    }

    /** A free station among twelve marks, two sets each, a few millimetres and seconds off. */
    private static String job() {
        StringBuilder marks = new StringBuilder();
        StringBuilder readings = new StringBuilder();
        for (int i = 0; i < MARKS; i++) {
            double azimuth = 2 * Math.PI * i / MARKS + 0.1;
            double length = 60 + 13 * i;
            marks.append(String.format(
                    Locale.ROOT,
                    "{\"name\": \"M%d\", \"kind\": \"control\", \"northing\": %.4f, \"easting\": %.4f, \"elevation\": 10},",
                    i,
                    1000 + length * Math.cos(azimuth),
                    5000 + length * Math.sin(azimuth)));
            for (int set = 1; set <= 2; set++) {
                for (int face = 0; face < 2; face++) {
                    double circle = Math.toDegrees(azimuth) + 180 * face + ((i * 7 + set) % 5 - 2) * 4e-4;
                    readings.append(String.format(
                            Locale.ROOT,
                            "%s{\"target\": \"M%d\", \"role\": \"backsight\", \"set\": %d, \"face\": \"%s\", \"circle\": \"%.6f\", \"zenith\": \"%d\", \"slope\": %.4f, \"reflector\": \"R\", \"targetHeight\": {\"value\": 1.5}}",
                            readings.length() == 0 ? "" : ",",
                            i,
                            set,
                            face == 0 ? "left" : "right",
                            (circle + 720) % 360,
                            face == 0 ? 90 : 270,
                            length + ((i * 3 + set) % 7 - 3) * 5e-4));
                }
            }
        }
        return """
                {"format": "mark-turn-job", "version": 1, "name": "bench", "units": {"length": "m", "angle": "deg"},
                 "instruments": [{"name": "I", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2}],
                 "reflectors": [{"name": "R", "centringStdDev": 0.001, "heightStdDev": 0.001}],
                 "marks": [%s {"name": "F", "kind": "new"}],
                 "setups": [{"name": "S1", "station": "F", "method": "resection", "instrument": "I", "readings": [%s]}]}""".formatted(marks, readings);
    }
}
