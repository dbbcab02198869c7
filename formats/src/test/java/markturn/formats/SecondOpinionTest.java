package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import markturn.survey.Survey;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whole jobs with everything that booking brings (faces missing, pointings repeated and struck out, sets without their zero, detail between
 * the sets, offsets, constants left on, air) against a second computation that shares no code with the first. Source: the format.
 */
class SecondOpinionTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String[] NAMES = {"A", "B", "C", "T1", "T2", "301", "302", "303", "X"};

    /** Seeded jobs, as files. */
    private static final class Booked {
        private final Random random;
        private final double[][] places = new double[NAMES.length][];
        private final boolean curved;
        private final double factor;

        Booked(long seed) {
            random = new Random(seed);
            curved = random.nextBoolean();
            factor = random.nextBoolean() ? 1 : 0.9996;
            for (int i = 0; i < places.length; i++) {
                double azimuth = 2 * Math.PI * (i + 0.6 * random.nextDouble()) / places.length;
                double length = 60 + 300 * random.nextDouble();
                places[i] = new double[] {
                    1000 + length * Math.cos(azimuth), 5000 + length * Math.sin(azimuth), 10 + 30 * random.nextDouble()
                };
            }
        }

        private boolean once(double chance) {
            return random.nextDouble() < chance;
        }

        private String reading(int from, int to, String called, String role, int set, boolean left, double turn) {
            double north = places[to][0] - places[from][0];
            double east = places[to][1] - places[from][1];
            double up = places[to][2] - places[from][2];
            double noise = 4 * SecondOpinion.SECOND * random.nextGaussian();
            double circle = Math.atan2(east, north) - turn + noise + (left ? 0 : Math.PI);
            double zenith = Math.atan2(Math.hypot(north, east), up) + 4 * SecondOpinion.SECOND * random.nextGaussian();
            boolean zero = role.equals("backsight") && set > 0;
            boolean carries = role.equals("foresight") && set == 1 && left;
            String reflector = !zero && once(0.2) ? "none" : "R1";
            StringBuilder json = new StringBuilder(String.format(
                    Locale.ROOT,
                    "{\"target\": \"%s\", \"role\": \"%s\", \"face\": \"%s\", \"circle\": \"%s\", \"zenith\": \"%s\"",
                    called,
                    role,
                    left ? "left" : "right",
                    SecondOpinion.written(circle),
                    SecondOpinion.written(left ? zenith : 2 * Math.PI - zenith)));
            if (set > 0) {
                json.append(", \"set\": ").append(set);
            }
            if (!called.equals("X") && (carries || !once(0.1))) {
                double slope = Math.hypot(Math.hypot(north, east), up) + 0.003 * random.nextGaussian();
                json.append(String.format(Locale.ROOT, ", \"slope\": %.4f", slope));
                if (once(0.3)) {
                    json.append(", \"applied\": {\"constant\": -0.034, \"ppm\": 12}");
                }
            }
            json.append(", \"reflector\": \"").append(reflector).append("\"");
            json.append(", \"targetHeight\": {\"value\": ")
                    .append(set == 0 ? "1.300" : "1.500")
                    .append("}");
            if (role.equals("detail") && !called.equals("X") && once(0.5)) {
                json.append(", \"offset\": {\"along\": 0.25, \"across\": -0.4, \"up\": 0.1}");
            }
            if (!zero && !carries && once(0.1)) {
                json.append(", \"struck\": \"bump\"");
            }
            return json.append("}").toString();
        }

        private String setup(String name, int on, List<Integer> back, List<Integer> fore, List<String> more) {
            double turn = 2 * Math.PI * random.nextDouble();
            List<String> readings = new ArrayList<>();
            int sets = 1 + random.nextInt(3);
            for (int set = 1; set <= sets; set++) {
                boolean without = set > 1 && once(0.15);
                for (boolean left : new boolean[] {true, false}) {
                    for (int to : back) {
                        boolean zero = to == back.get(0);
                        if (zero ? !without : !once(0.15)) {
                            readings.add(reading(on, to, NAMES[to], "backsight", set, left, turn));
                        }
                        if (zero && !without && once(0.2)) {
                            readings.add(reading(on, to, NAMES[to], "backsight", set, left, turn));
                        }
                    }
                    for (int to : fore) {
                        if (set == 1 && left || !once(0.15)) {
                            readings.add(reading(on, to, NAMES[to], "foresight", set, left, turn));
                        }
                    }
                }
                for (String shot : more) {
                    String[] said = shot.split(" ");
                    int to = Integer.parseInt(said[1]);
                    String called = said.length > 2 ? said[2] : NAMES[to];
                    boolean left = random.nextBoolean();
                    readings.add(reading(on, to, called, said[0], 0, left, turn));
                    if (once(0.4)) {
                        readings.add(reading(on, to, called, said[0], 0, !left, turn));
                    }
                }
            }
            String air = once(0.5) ? "\"atmosphere\": {\"temperature\": 27, \"pressure\": 985, \"vapour\": 11}," : "";
            return """
                    {"name": "%s", "station": "%s", "method": "occupied", "instrument": "I1", "instrumentHeight": {"value": 1.6}, %s "orientation": {"sights": [%s]}, "readings": [%s]}""".formatted(
                    name,
                    NAMES[on],
                    air,
                    String.join(
                            ", ", back.stream().map(b -> "\"" + NAMES[b] + "\"").toList()),
                    String.join(",\n", readings));
        }

        String job() {
            StringBuilder marks = new StringBuilder();
            for (int i = 0; i < NAMES.length; i++) {
                marks.append(
                        i < 3
                                ? String.format(
                                        Locale.ROOT,
                                        "{\"name\": \"%s\", \"kind\": \"control\", \"northing\": %.4f, \"easting\": %.4f, \"elevation\": %.4f},",
                                        NAMES[i],
                                        places[i][0],
                                        places[i][1],
                                        places[i][2])
                                : "{\"name\": \"%s\", \"kind\": \"%s\"},"
                                        .formatted(NAMES[i], i < 5 ? "new" : "located"));
            }
            List<String> setups = List.of(
                    setup(
                            "S1",
                            0,
                            once(0.5) ? List.of(1) : List.of(1, 2),
                            List.of(3, 4),
                            List.of("detail 5", "check 2", "check 1", "detail 8")),
                    setup(
                            "S2",
                            3,
                            List.of(0),
                            List.of(4),
                            List.of("detail 6", "detail 5", "check 1 B-again", "check 0", "detail 8")),
                    setup("S3", 4, List.of(3, 0), List.of(), List.of("detail 7", "check 3", "detail 8")));
            return """
                    {"format": "mark-turn-job", "version": 1, "name": "seeded", "units": {"length": "m", "angle": "dms"},
                     "earth": {"curvature": %s, "refraction": 0.17, "scaleFactor": %s},
                     "instruments": [{"name": "I1", "directionStdDev": 2, "zenithStdDev": 3, "distanceStdDev": 0.002, "distancePpm": 2, "centringStdDev": 0.001, "heightStdDev": 0.0015, "wavelength": 0.66}],
                     "reflectors": [{"name": "R1", "constant": -0.030, "centringStdDev": 0.0012, "heightStdDev": 0.002}, {"name": "none", "constant": 0}],
                     "marks": [%s {"name": "B-again", "sameAs": "B"}],
                     "setups": [%s]}""".formatted(curved, factor, marks, String.join(",\n", setups));
        }
    }

    private static void assertAngle(JsonNode said, double radians, String what) {
        double off = Math.IEEEremainder(SecondOpinion.angle(said.asString()) - radians, 2 * Math.PI);
        assertThat(off).as(what).isCloseTo(0, within(1e-9));
    }

    private static void assertNumber(JsonNode said, double value, double tolerance, String what) {
        assertThat(said.isNumber()).as(what + " is " + said).isTrue();
        assertThat(said.doubleValue()).as(what).isCloseTo(value, within(tolerance));
    }

    private static JsonNode row(JsonNode list, String key, String value) {
        for (JsonNode row : list) {
            if (row.get(key).asString().equals(value)) {
                return row;
            }
        }
        throw new AssertionError("no row for " + value);
    }

    @ParameterizedTest
    @ValueSource(longs = {0, 1_000, 2_000, 3_000})
    void wholeJobsAreComputedTheSameTwice(long first) throws FaultyFile {
        for (long seed = first; seed < first + 100; seed++) {
            String file = new Booked(seed).job();
            JsonNode result = JSON.readTree(
                    ResultFile.write(Survey.compute(JobFile.read(file.getBytes(StandardCharsets.UTF_8)))));
            SecondOpinion opinion = new SecondOpinion(JSON.readTree(file));
            compareSetups(result, opinion, "seed " + seed);
            compareSets(result, opinion, "seed " + seed);
            comparePlaces(result, opinion, "seed " + seed);
        }
    }

    private static void compareSetups(JsonNode result, SecondOpinion opinion, String seed) {
        opinion.setups.forEach((name, out) -> {
            JsonNode setup = row(result.get("setups"), "name", name);
            String what = seed + " " + name;
            assertAngle(setup.get("orientation"), out.orientation, what + " orientation");
            assertNumber(
                    setup.at("/stdDev/orientation"),
                    out.turning.stdDev() / SecondOpinion.SECOND,
                    1e-3,
                    what + " orientation's deviation");
            if (out.varianceFactor == null) {
                assertThat(setup.get("varianceFactor").isNull()).as(what).isTrue();
            } else {
                assertNumber(setup.get("varianceFactor"), out.varianceFactor, 1e-5, what + " variance factor");
            }
            if (out.closing == null) {
                assertThat(setup.at("/closingSight/direction").isNumber())
                        .as(what)
                        .isFalse();
            } else {
                assertNumber(
                        setup.at("/closingSight/direction"),
                        out.closing / SecondOpinion.SECOND,
                        1e-4,
                        what + " closing sight");
                if (out.longest == null) {
                    assertThat(setup.at("/closingSight/atLongest").isNull())
                            .as(what)
                            .isTrue();
                } else {
                    assertNumber(
                            setup.at("/closingSight/atLongest"),
                            Math.abs(out.closing) * out.longest,
                            1e-8,
                            what + " closing sight at the longest");
                }
            }
        });
    }

    /** The row of a target is that of its first fix. */
    private static void compareSets(JsonNode result, SecondOpinion opinion, String seed) {
        opinion.setups.forEach((name, out) -> {
            List<String> seen = new ArrayList<>();
            for (SecondOpinion.Ray ray : out.rays) {
                if (seen.contains(ray.fix.target())) {
                    continue;
                }
                seen.add(ray.fix.target());
                String what = seed + " " + name + " " + ray.fix.target();
                JsonNode row = null;
                for (JsonNode each : result.get("sets")) {
                    if (each.get("setup").asString().equals(name)
                            && each.get("target").asString().equals(ray.fix.target())) {
                        row = each;
                    }
                }
                assertThat(row).as(what).isNotNull();
                assertAngle(row.get("zenith"), ray.zenith, what + " zenith");
                if (ray.direction == null) {
                    assertThat(row.get("direction").isNull()).as(what).isTrue();
                } else {
                    assertAngle(row.get("direction"), ray.direction, what + " direction");
                }
                compareLists(row.get("residuals"), ray.residuals, what + " residuals");
                compareLists(row.get("collimation"), ray.collimation, what + " collimation");
                compareLists(row.get("index"), ray.index, what + " index");
                int sets = ray.residuals.size();
                if (sets > 1) {
                    double squares = ray.residuals.values().stream()
                            .mapToDouble(v -> v * v)
                            .sum();
                    double stdDev = Math.sqrt(squares / (sets - 1)) / SecondOpinion.SECOND;
                    assertNumber(row.get("stdDev"), stdDev, 1e-4, what + " of one set");
                    assertNumber(row.get("stdDevMean"), stdDev / Math.sqrt(sets), 1e-4, what + " of the mean");
                } else {
                    assertThat(row.get("stdDev").isNull()).as(what).isTrue();
                }
                if (ray.slope == null) {
                    assertThat(row.get("slope").isNull()).as(what).isTrue();
                } else {
                    assertNumber(row.get("slope"), ray.slope, 1e-9, what + " slope");
                    assertNumber(row.get("horizontal"), ray.horizontal, 1e-8, what + " horizontal");
                    assertNumber(row.get("elevationDifference"), ray.rise, 1e-8, what + " elevation difference");
                }
            }
        });
    }

    /** By set number, null where there is none. */
    private static void compareLists(JsonNode said, Map<Integer, Double> values, String what) {
        values.forEach(
                (set, value) -> assertNumber(said.get(set - 1), value / SecondOpinion.SECOND, 1e-4, what + " " + set));
        for (int set = 1; set <= said.size(); set++) {
            assertThat(said.get(set - 1).isNull()).as(what + " " + set).isNotEqualTo(values.containsKey(set));
        }
    }

    private static void comparePlaces(JsonNode result, SecondOpinion opinion, String seed) {
        for (Map.Entry<String, SecondOpinion.Place> entry : opinion.places.entrySet()) {
            JsonNode mark = row(result.get("marks"), "name", entry.getKey());
            SecondOpinion.Place place = entry.getValue();
            String what = seed + " " + entry.getKey();
            assertNumber(mark.get("northing"), place.north(), 1e-7, what + " northing");
            assertNumber(mark.get("easting"), place.east(), 1e-7, what + " easting");
            if (!Double.isNaN(place.up())) {
                assertNumber(mark.get("elevation"), place.up(), 1e-7, what + " elevation");
                assertNumber(mark.at("/stdDev/elevation"), place.inUp().stdDev(), 1e-8, what + " deviation up");
            }
            assertNumber(mark.at("/stdDev/northing"), place.inNorth().stdDev(), 1e-7, what + " deviation north");
            assertNumber(mark.at("/stdDev/easting"), place.inEast().stdDev(), 1e-7, what + " deviation east");
        }
        assertThat(result.get("checks")).as(seed).hasSameSizeAs(opinion.checks);
        for (int i = 0; i < opinion.checks.size(); i++) {
            JsonNode said = result.get("checks").get(i);
            SecondOpinion.Check check = opinion.checks.get(i);
            String what = seed + " check " + i + " on " + check.mark();
            assertThat(said.get("mark").asString()).as(what).isEqualTo(check.mark());
            assertThat(said.get("from").asString()).as(what).isEqualTo(check.from());
            if (check.seen() == null) {
                assertThat(said.get("northingDifference").isNull()).as(what).isTrue();
                continue;
            }
            SecondOpinion.Place seen = check.seen();
            SecondOpinion.Place known = check.known();
            assertNumber(said.get("northingDifference"), seen.north() - known.north(), 1e-7, what);
            assertNumber(said.get("eastingDifference"), seen.east() - known.east(), 1e-7, what);
            assertNumber(said.get("elevationDifference"), seen.up() - known.up(), 1e-7, what);
        }
    }
}
