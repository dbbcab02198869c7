package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import markturn.survey.Survey;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Seeded free stations, every number of the result against normal equations of the test's own. Sources: the format (2, 3, 4, 9) and the
 * practice's weights and tests; least squares and reliability as in textbooks after W. Baarda.
 */
class ResectionSecondOpinionTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double DIRECTION = 2 * SecondOpinion.SECOND;
    private static final double TARGET = 0.0012;

    /** One observation of the plan: to which mark, what, and how good. */
    private record Observed(int mark, boolean direction, double value, double stdDev) {}

    /** A free station solved by hand: north, east, orientation. */
    private static final class Solved {
        final double[] at;
        final double[][] inverse;
        final List<Observed> observations;
        final double[][] control;

        /** Gauss-Newton from near the truth. */
        Solved(List<Observed> observations, double[][] control, double[] near) {
            this.observations = observations;
            this.control = control;
            this.at = near.clone();
            double[][] last = null;
            for (int step = 0; step < 12; step++) {
                double[][] normal = new double[3][3];
                double[] right = new double[3];
                for (Observed o : observations) {
                    double[] row = row(o);
                    double misfit = misfit(o);
                    for (int i = 0; i < 3; i++) {
                        right[i] += row[i] * misfit;
                        for (int j = 0; j < 3; j++) {
                            normal[i][j] += row[i] * row[j];
                        }
                    }
                }
                last = inverted(normal);
                for (int i = 0; i < 3; i++) {
                    for (int j = 0; j < 3; j++) {
                        at[i] += last[i][j] * right[j];
                    }
                }
            }
            this.inverse = last;
        }

        private double north(Observed o) {
            return control[o.mark()][0] - at[0];
        }

        private double east(Observed o) {
            return control[o.mark()][1] - at[1];
        }

        private double model(Observed o) {
            return o.direction() ? Math.atan2(east(o), north(o)) - at[2] : Math.hypot(north(o), east(o));
        }

        /** Observed less computed by its deviation. */
        private double misfit(Observed o) {
            double off = o.value() - model(o);
            return (o.direction() ? Math.IEEEremainder(off, 2 * Math.PI) : off) / o.stdDev();
        }

        /** The derivatives by its deviation. */
        private double[] row(Observed o) {
            double square = north(o) * north(o) + east(o) * east(o);
            double length = Math.sqrt(square);
            double[] row = o.direction()
                    ? new double[] {east(o) / square, -north(o) / square, -1}
                    : new double[] {-north(o) / length, -east(o) / length, 0};
            for (int i = 0; i < 3; i++) {
                row[i] /= o.stdDev();
            }
            return row;
        }

        /** An element of the redundancy matrix, by deviations. */
        double redundancy(Observed one, Observed other) {
            double taken = 0;
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    taken += row(one)[i] * inverse[i][j] * row(other)[j];
                }
            }
            return (one == other ? 1 : 0) - taken;
        }

        double varianceFactor() {
            double squares = 0;
            for (Observed o : observations) {
                squares += misfit(o) * misfit(o);
            }
            return squares / (observations.size() - 3);
        }

        /** A mark's direction and distance together. */
        double statistic(Observed direction, Observed distance) {
            double a = redundancy(direction, direction);
            double b = redundancy(direction, distance);
            double d = redundancy(distance, distance);
            double v = -misfit(direction);
            double w = -misfit(distance);
            return (d * v * v - 2 * b * v * w + a * w * w) / (a * d - b * b);
        }

        /** The shift of a mark that its test would show four times in five, in its worst direction: searched by the half degree. */
        double detectable(Observed direction, Observed distance) {
            double a = redundancy(direction, direction);
            double b = redundancy(direction, distance);
            double d = redundancy(distance, distance);
            double worst = 0;
            for (int half = 0; half < 360; half++) {
                double azimuth = Math.toRadians(half / 2.0);
                double[] of = {-Math.cos(azimuth), -Math.sin(azimuth)};
                double x = row(direction)[0] * of[0] + row(direction)[1] * of[1];
                double y = row(distance)[0] * of[0] + row(distance)[1] * of[1];
                worst = Math.max(worst, 4.43 / Math.sqrt(a * x * x + 2 * b * x * y + d * y * y));
            }
            return worst;
        }
    }

    private static double[][] inverted(double[][] m) {
        double[][] inverse = new double[3][3];
        double determinant = 0;
        for (int i = 0; i < 3; i++) {
            determinant += m[0][i] * (m[1][(i + 1) % 3] * m[2][(i + 2) % 3] - m[1][(i + 2) % 3] * m[2][(i + 1) % 3]);
        }
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                inverse[j][i] = (m[(i + 1) % 3][(j + 1) % 3] * m[(i + 2) % 3][(j + 2) % 3]
                                - m[(i + 1) % 3][(j + 2) % 3] * m[(i + 2) % 3][(j + 1) % 3])
                        / determinant;
            }
        }
        return inverse;
    }

    /** Marks around a station, sighted in one or two sets; some without a distance. */
    private static String job(long seed, double[][] control, double[] truth) {
        Random random = new Random(seed);
        int sets = 1 + random.nextInt(2);
        StringBuilder marks = new StringBuilder();
        List<String> readings = new ArrayList<>();
        boolean[] far = new boolean[control.length];
        for (int i = 0; i < control.length; i++) {
            double azimuth = 2 * Math.PI * (i + 0.5 * random.nextDouble()) / control.length;
            double length = 80 + 200 * random.nextDouble();
            control[i] = new double[] {
                Math.round((truth[0] + length * Math.cos(azimuth)) * 1e3) / 1e3,
                Math.round((truth[1] + length * Math.sin(azimuth)) * 1e3) / 1e3,
                Math.round((20 + 8 * random.nextDouble()) * 1e3) / 1e3
            };
            far[i] = i > 2 && random.nextBoolean();
            marks.append(String.format(
                    Locale.ROOT,
                    "{\"name\": \"C%d\", \"kind\": \"control\", \"northing\": %.3f, \"easting\": %.3f, \"elevation\": %.3f},",
                    i,
                    control[i][0],
                    control[i][1],
                    control[i][2]));
        }
        for (int set = 1; set <= sets; set++) {
            for (boolean left : new boolean[] {true, false}) {
                for (int i = 0; i < control.length; i++) {
                    double north = control[i][0] - truth[0];
                    double east = control[i][1] - truth[1];
                    double up = control[i][2] + 1.5 - truth[2] - 1.6;
                    double circle = Math.atan2(east, north) - truth[3] + DIRECTION * random.nextGaussian();
                    double zenith = Math.atan2(Math.hypot(north, east), up) + DIRECTION * random.nextGaussian();
                    double slope = Math.hypot(Math.hypot(north, east), up) + 0.002 * random.nextGaussian();
                    readings.add(String.format(
                            Locale.ROOT,
                            "{\"target\": \"C%d\", \"role\": \"backsight\", \"set\": %d, \"face\": \"%s\", \"circle\": \"%s\", \"zenith\": \"%s\"%s, \"reflector\": \"R1\", \"targetHeight\": {\"value\": 1.5}}",
                            i,
                            set,
                            left ? "left" : "right",
                            SecondOpinion.written(circle + (left ? 0 : Math.PI)),
                            SecondOpinion.written(left ? zenith : 2 * Math.PI - zenith),
                            far[i] ? "" : String.format(Locale.ROOT, ", \"slope\": %.4f", slope)));
                }
            }
        }
        return """
                {"format": "mark-turn-job", "version": 1, "name": "free", "units": {"length": "m", "angle": "dms"}, "earth": {"curvature": false},
                 "instruments": [{"name": "I1", "directionStdDev": 2, "zenithStdDev": 3, "distanceStdDev": 0.002, "distancePpm": 2, "centringStdDev": 0.001, "heightStdDev": 0.0015}],
                 "reflectors": [{"name": "R1", "centringStdDev": 0.0012, "heightStdDev": 0.002}],
                 "marks": [%s {"name": "F", "kind": "new"}],
                 "setups": [{"name": "S1", "station": "F", "method": "resection", "instrument": "I1", "instrumentHeight": {"value": 1.6}, "readings": [%s]}]}""".formatted(marks, String.join(",\n", readings));
    }

    private static double distanceVariance(double length, double count) {
        return (0.002 * 0.002 + Math.pow(2e-6 * length, 2)) / count;
    }

    private static List<Observed> observed(List<SecondOpinion.Ray> rays, double[][] control, double[] at, int without) {
        List<Observed> all = new ArrayList<>();
        for (int i = 0; i < rays.size(); i++) {
            SecondOpinion.Ray ray = rays.get(i);
            double length =
                    ray.horizontal != null ? ray.horizontal : Math.hypot(control[i][0] - at[0], control[i][1] - at[1]);
            double centring = TARGET * TARGET;
            double turned = DIRECTION * DIRECTION / ray.directionCount + centring / (length * length);
            if (i != without) {
                all.add(new Observed(i, true, ray.direction, Math.sqrt(turned)));
                if (ray.horizontal != null) {
                    double variance = distanceVariance(length, ray.distanceCount) + centring;
                    all.add(new Observed(i, false, ray.horizontal, Math.sqrt(variance)));
                }
            }
        }
        return all;
    }

    private static void near(JsonNode in, String key, double value, double tolerance, String what) {
        assertThat(in.get(key).isNumber()).as(what + " " + key).isTrue();
        assertThat(in.get(key).doubleValue()).as(what + " " + key).isCloseTo(value, within(tolerance));
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 4, 5, 6})
    void everyNumberOfAFreeStationIsThatOfItsNormalEquations(int count) throws FaultyFile {
        for (long seed = 0; seed < 60; seed++) {
            double[][] control = new double[count][];
            double[] truth = {1000 + seed, 5000 - seed, 22, 0.1 * seed};
            String file = job(seed, control, truth);
            JsonNode result = JSON.readTree(
                    ResultFile.write(Survey.compute(JobFile.read(file.getBytes(StandardCharsets.UTF_8)))));
            JsonNode setup = result.get("setups").get(0);
            List<SecondOpinion.Ray> rays = new SecondOpinion(JSON.readTree(file)).setups.get("S1").rays;
            // Reduced directions begin at the first mark: the orientation is its azimuth.
            double[] start = {truth[0], truth[1], Math.atan2(control[0][1] - truth[1], control[0][0] - truth[0])};
            List<Observed> observations = observed(rays, control, truth, -1);
            Solved solved = new Solved(observations, control, start);
            String what = count + " marks, seed " + seed;
            near(setup, "northing", solved.at[0], 1e-6, what);
            near(setup, "easting", solved.at[1], 1e-6, what);
            double turned = SecondOpinion.angle(setup.get("orientation").asString()) - solved.at[2];
            assertThat(Math.IEEEremainder(turned, 2 * Math.PI)).as(what).isCloseTo(0, within(1e-8));
            near(setup, "redundancy", observations.size() - 3, 1e-9, what);
            near(setup, "varianceFactor", solved.varianceFactor(), 1e-3, what);
            JsonNode stdDev = setup.get("stdDev");
            near(stdDev, "northing", Math.sqrt(solved.inverse[0][0]), 1e-7, what);
            near(stdDev, "easting", Math.sqrt(solved.inverse[1][1]), 1e-7, what);
            near(stdDev, "orientation", Math.sqrt(solved.inverse[2][2]) / SecondOpinion.SECOND, 1e-3, what);
            elevation(setup, rays, control, what);
            observations(setup, solved, what);
            marks(setup, solved, rays, what);
            withoutEach(setup, solved, rays, control, truth, what);
        }
    }

    /** The weighted mean over the marks with a distance; the instrument's own height once, afterwards. */
    private static void elevation(JsonNode setup, List<SecondOpinion.Ray> rays, double[][] control, String what) {
        double weights = 0;
        double sum = 0;
        for (int i = 0; i < rays.size(); i++) {
            SecondOpinion.Ray ray = rays.get(i);
            if (ray.horizontal != null) {
                double length = ray.horizontal;
                double variance = Math.pow(length * 3 * SecondOpinion.SECOND, 2) / ray.zenithCount
                        + distanceVariance(length, ray.distanceCount) * Math.pow(Math.cos(ray.zenith), 2)
                        + 0.002 * 0.002
                        + Math.pow(length * length * 0.05 / (2 * 6371000), 2);
                weights += 1 / variance;
                sum += (control[i][2] - ray.rise) / variance;
            }
        }
        near(setup, "elevation", sum / weights, 1e-6, what);
        near(setup.get("stdDev"), "elevation", Math.sqrt(1 / weights + 0.0015 * 0.0015), 1e-6, what);
    }

    private static void observations(JsonNode setup, Solved solved, String what) {
        for (Observed o : solved.observations) {
            JsonNode row = null;
            for (JsonNode each : setup.get("observations")) {
                if (each.get("target").asString().equals("C" + o.mark())
                        && each.get("kind").asString().equals(o.direction() ? "direction" : "distance")) {
                    row = each;
                }
            }
            double unit = o.direction() ? SecondOpinion.SECOND : 1;
            String which = what + " " + row;
            near(row, "residual", -solved.misfit(o) * o.stdDev() / unit, o.direction() ? 1e-2 : 1e-6, which);
            near(row, "stdDev", o.stdDev() / unit, o.direction() ? 1e-3 : 1e-7, which);
            double redundancy = solved.redundancy(o, o);
            near(row, "redundancy", redundancy, 1e-5, which);
            near(row, "standardised", -solved.misfit(o) / Math.sqrt(redundancy), 1e-2, which);
            double detectable = 4.13 * o.stdDev() / Math.sqrt(redundancy) / unit;
            assertThat(row.get("detectable").doubleValue() / detectable)
                    .as(which)
                    .isCloseTo(1, within(2e-3));
        }
    }

    private static void marks(JsonNode setup, Solved solved, List<SecondOpinion.Ray> rays, String what) {
        for (int i = 0; i < rays.size(); i++) {
            int mark = i;
            List<Observed> own =
                    solved.observations.stream().filter(o -> o.mark() == mark).toList();
            if (own.size() < 2) {
                continue;
            }
            JsonNode row = setup.get("marks").get(i);
            assertThat(row.get("target").asString()).isEqualTo("C" + i);
            double statistic = solved.statistic(own.get(0), own.get(1));
            near(row, "statistic", statistic, 1e-3 * (1 + statistic), what + " mark " + i);
            double detectable = solved.detectable(own.get(0), own.get(1));
            assertThat(row.get("detectable").doubleValue() / detectable)
                    .as(what + " mark " + i)
                    .isCloseTo(1, within(3e-3));
        }
    }

    /** Without minus with; nulls where nothing would be left to check. */
    private static void withoutEach(
            JsonNode setup,
            Solved solved,
            List<SecondOpinion.Ray> rays,
            double[][] control,
            double[] truth,
            String what) {
        for (int i = 0; i < rays.size(); i++) {
            JsonNode row = setup.get("leaveOneOut").get(i);
            String which = what + " without C" + i;
            List<Observed> left = observed(rays, control, truth, i);
            if (left.size() <= 3) {
                assertThat(row.get("northingShift").isNull()).as(which).isTrue();
                continue;
            }
            Solved without = new Solved(left, control, solved.at);
            near(row, "northingShift", without.at[0] - solved.at[0], 1e-6, which);
            near(row, "eastingShift", without.at[1] - solved.at[1], 1e-6, which);
            double shift = (without.at[2] - solved.at[2]) / SecondOpinion.SECOND;
            near(row, "orientationShift", shift, 1e-2, which);
            near(row, "varianceFactor", without.varianceFactor(), 2e-3, which);
        }
    }
}
