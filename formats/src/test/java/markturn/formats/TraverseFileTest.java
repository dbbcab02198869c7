package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Job;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Traverses as job files: a loop and a link, their misclosures by hand, the rules, adoption. */
class TraverseFileTest {
    /** A, T1, T2, T3: a quadrilateral; K is a distant control mark that orients A. */
    private static final String[] NAMES = {"A", "T1", "T2", "T3"};

    private static final double[][] PLACES = {{1000, 1000}, {1120, 1050}, {1150, 1190}, {1010, 1160}};

    private static String reading(String target, String role, boolean left, double circle, double slope) {
        return String.format(
                Locale.ROOT,
                "{\"target\": \"%s\", \"role\": \"%s\", \"set\": 1, \"face\": \"%s\", \"circle\": \"%s\", \"zenith\": \"%s\", \"slope\": %.9f, \"reflector\": \"R\", \"targetHeight\": {\"value\": 1.5}}",
                target,
                role,
                left ? "left" : "right",
                AngleUnit.DMS.write(circle + (left ? 0 : Math.PI), 9),
                left ? "90-00-00" : "270-00-00",
                slope);
    }

    private static double azimuth(int from, int to) {
        return Math.atan2(PLACES[to][1] - PLACES[from][1], PLACES[to][0] - PLACES[from][0]);
    }

    private static double length(int from, int to) {
        return Math.hypot(PLACES[to][1] - PLACES[from][1], PLACES[to][0] - PLACES[from][0]);
    }

    private static String both(String target, String role, double circle, double slope) {
        return reading(target, role, true, circle, slope) + "," + reading(target, role, false, circle, slope);
    }

    /**
     * The loop A, T1, T2, T3, A, booked on circles that start at each backsight.
     *
     * @param turned what each foresight's circle is wrong by at A, T1, T2, T3, radians
     * @param longer what each leg is too long by, there and back, metres
     */
    private static String loop(double[] turned, double[] longer, String traverse) {
        List<String> setups = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int before = (i + 3) % 4;
            int after = (i + 1) % 4;
            double back = azimuth(i, before);
            StringBuilder readings = new StringBuilder();
            String sight = i == 0 ? "K" : NAMES[before];
            double zero = i == 0 ? 0 : back;
            readings.append(both(sight, "backsight", 0, i == 0 ? 500 : length(i, before) + longer[before]));
            readings.append(",")
                    .append(both(
                            NAMES[after],
                            i == 3 ? "check" : "foresight",
                            azimuth(i, after) - zero + turned[i],
                            length(i, after) + longer[i]));
            if (i == 0) {
                readings.append(",").append(both("T3", "foresight", back - zero, length(0, 3) + longer[3]));
            }
            setups.add("""
                    {"name": "S%d", "station": "%s", "method": "occupied", "instrument": "I", "instrumentHeight": {"value": 1.5}, "orientation": {"sights": ["%s"]}, "readings": [%s]}""".formatted(i + 1, NAMES[i], sight, readings));
        }
        return """
                {"format": "mark-turn-job", "version": 1, "name": "loop", "units": {"length": "m", "angle": "dms"}, "earth": {"curvature": false},
                 "instruments": [{"name": "I", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2}],
                 "reflectors": [{"name": "R"}],
                 "marks": [{"name": "A", "kind": "control", "northing": 1000, "easting": 1000, "elevation": 10}, {"name": "K", "kind": "control", "northing": 1500, "easting": 1000, "elevation": 10},
                           {"name": "A-again", "sameAs": "A"}, {"name": "T1", "kind": "new"}, {"name": "T2", "kind": "new"}, {"name": "T3", "kind": "new"}],
                 "setups": [%s], "traverses": [%s]}""".formatted(String.join(",", setups), traverse);
    }

    private static final String LOOP =
            "{\"name\": \"Loop\", \"route\": [\"A\", \"T1\", \"T2\", \"T3\", \"A-again\"], \"method\": \"compass\"}";

    private static JsonNode computed(String job) throws FaultyFile {
        Job read = JobFile.read(job.getBytes(StandardCharsets.UTF_8));
        assertThat(JobFile.read(JobFile.write(read))).isEqualTo(read);
        return JsonMapper.builder().build().readTree(ResultFile.write(Survey.compute(read)));
    }

    private static List<String> codes(JsonNode result) {
        List<String> codes = new ArrayList<>();
        result.get("findings").forEach(f -> codes.add(f.get("code").asString()));
        return codes;
    }

    private static double second(double seconds) {
        return Math.toRadians(seconds / 3600);
    }

    @Test
    void anExactLoopClosesAndSaysWhatItCannotSee() throws FaultyFile {
        JsonNode result = computed(loop(new double[4], new double[4], LOOP));
        JsonNode traverse = result.get("traverses").get(0);
        assertThat(traverse.get("angularMisclosure").doubleValue()).isCloseTo(0, within(1e-4));
        assertThat(traverse.get("linearMisclosure").doubleValue()).isCloseTo(0, within(1e-7));
        // Source: the format; the ray from A to T3 is held, so n counts the four legs: 10" √4.
        assertThat(traverse.get("angularLimit").doubleValue()).isCloseTo(20, within(1e-9));
        assertThat(traverse.get("stations").size()).isEqualTo(5);
        assertThat(traverse.get("stations").get(2).get("northing").doubleValue())
                .isCloseTo(1150, within(1e-6));
        assertThat(codes(result)).contains("datum-unchecked").doesNotContain("misclosure-angle", "misclosure-linear");
    }

    @Test
    void anglesAreBalancedAndTheCompassRuleSpreadsTheRest() throws FaultyFile {
        // Four angles, each 3" too large: 12" to the right. Source: textbook balancing, leg i takes −f·i/n.
        double three = second(3);
        JsonNode result =
                computed(loop(new double[] {three, three, three, three}, new double[] {0.010, 0, 0, 0}, LOOP));
        JsonNode traverse = result.get("traverses").get(0);
        assertThat(traverse.get("angularMisclosure").doubleValue()).isCloseTo(12, within(1e-3));
        for (int i = 0; i < 4; i++) {
            double balanced = AngleUnit.DMS.read(
                    traverse.get("legs").get(i).get("azimuth").asString());
            assertThat(Math.sin(balanced - azimuth(i, (i + 1) % 4))).isCloseTo(0, within(1e-9));
        }
        // The 10 mm of the first leg are the misclosure; the compass rule gives each leg its share by length.
        double all = 0;
        for (int i = 0; i < 4; i++) {
            all += length(i, (i + 1) % 4) + (i == 0 ? 0.010 : 0);
        }
        double north = 0.010 * Math.cos(azimuth(0, 1));
        assertThat(traverse.get("northingMisclosure").doubleValue()).isCloseTo(north, within(1e-6));
        assertThat(traverse.get("ratio").doubleValue()).isCloseTo(all / 0.010, within(1.0));
        double first = length(0, 1) + 0.010;
        double expected = 1000 + first * Math.cos(azimuth(0, 1)) - north * first / all;
        assertThat(traverse.get("stations").get(1).get("northing").doubleValue())
                .isCloseTo(expected, within(1e-6));
        assertThat(traverse.get("stations").get(4).get("northing").doubleValue())
                .isCloseTo(1000, within(1e-9));
    }

    @Test
    void aLoopOfAHandbookIsBalancedByTheCompassRuleAsPrinted() throws FaultyFile {
        // Source: C. D. Ghilani and P. R. Wolf, Elementary Surveying, the five-sided traverse of the chapter on
        // computations; from
        // memory. Balanced azimuths and lengths in feet, computed here as metres: the rule knows no unit.
        String[] names = {"A", "B", "C", "D", "E"};
        String[] azimuths = {"126-55-17", "178-18-58", "15-31-54", "284-35-20", "206-09-41"};
        double[] lengths = {647.25, 203.03, 720.35, 610.24, 285.13};
        double[] latitudes = {-388.835, -202.948, 694.022, 153.689, -255.928};
        double[] departures = {517.444, 5.964, 192.881, -590.571, -125.718};
        List<String> setups = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            int before = (i + 4) % 5;
            double zero = i == 0 ? 0 : AngleUnit.DMS.read(azimuths[before]) + Math.PI;
            double fore = AngleUnit.DMS.read(azimuths[i]) - zero;
            String readings = both(i == 0 ? "K" : names[before], "backsight", 0, i == 0 ? 5000 : lengths[before]) + ","
                    + both(names[(i + 1) % 5], i == 4 ? "check" : "foresight", fore, lengths[i]);
            if (i == 0) {
                readings += "," + both("E", "foresight", AngleUnit.DMS.read(azimuths[4]) + Math.PI, lengths[4]);
            }
            setups.add("""
                    {"name": "S%d", "station": "%s", "method": "occupied", "instrument": "I", "instrumentHeight": {"value": 1.5}, "orientation": {"sights": ["%s"]}, "readings": [%s]}""".formatted(i + 1, names[i], i == 0 ? "K" : names[before], readings));
        }
        String job = """
                {"format": "mark-turn-job", "version": 1, "name": "handbook", "units": {"length": "m", "angle": "dms"}, "earth": {"curvature": false},
                 "instruments": [{"name": "I", "directionStdDev": 5, "zenithStdDev": 5, "distanceStdDev": 0.02, "distancePpm": 2}],
                 "reflectors": [{"name": "R"}],
                 "marks": [{"name": "A", "kind": "control", "northing": 5000, "easting": 10000, "elevation": 10}, {"name": "K", "kind": "control", "northing": 10000, "easting": 10000, "elevation": 10},
                           {"name": "B", "kind": "new"}, {"name": "C", "kind": "new"}, {"name": "D", "kind": "new"}, {"name": "E", "kind": "new"}],
                 "setups": [%s], "traverses": [{"name": "Handbook", "route": ["A", "B", "C", "D", "E", "A"], "method": "compass"}]}""".formatted(String.join(",", setups));
        JsonNode traverse = computed(job).get("traverses").get(0);
        assertThat(traverse.get("northingMisclosure").doubleValue()).isCloseTo(0.077, within(0.002));
        assertThat(traverse.get("eastingMisclosure").doubleValue()).isCloseTo(0.026, within(0.002));
        // Azimuths printed to the second leave two thousandths. Printed ratio: 1/30,000, from 0.081 in 2466.00.
        assertThat(traverse.get("ratio").doubleValue()).isCloseTo(2466.00 / 0.081, within(1000.0));
        double north = 5000;
        double east = 10000;
        for (int i = 0; i < 4; i++) {
            north += latitudes[i];
            east += departures[i];
            JsonNode station = traverse.get("stations").get(i + 1);
            assertThat(station.get("northing").doubleValue()).isCloseTo(north, within(0.003));
            assertThat(station.get("easting").doubleValue()).isCloseTo(east, within(0.003));
        }
    }

    @Test
    void theTransitRuleSpreadsByWhatEachLegRuns() throws FaultyFile {
        JsonNode traverse = computed(
                        loop(new double[4], new double[] {0.010, 0, 0, 0}, LOOP.replace("compass", "transit")))
                .get("traverses")
                .get(0);
        double north = 0.010 * Math.cos(azimuth(0, 1));
        double all = 0;
        for (int i = 0; i < 4; i++) {
            all += Math.abs((length(i, (i + 1) % 4) + (i == 0 ? 0.010 : 0)) * Math.cos(azimuth(i, (i + 1) % 4)));
        }
        double run = (length(0, 1) + 0.010) * Math.cos(azimuth(0, 1));
        assertThat(traverse.get("stations").get(1).get("northing").doubleValue())
                .isCloseTo(1000 + run - north * run / all, within(1e-6));
    }

    @Test
    void leastSquaresPutsAnErrorWhereItFitsBest() throws FaultyFile {
        JsonNode traverse = computed(
                        loop(new double[4], new double[] {0.010, 0, 0, 0}, LOOP.replace("compass", "least-squares")))
                .get("traverses")
                .get(0);
        for (int i = 0; i < 4; i++) {
            JsonNode station = traverse.get("stations").get(i);
            assertThat(station.get("northing").doubleValue()).isCloseTo(PLACES[i][0], within(0.010));
            assertThat(station.get("easting").doubleValue()).isCloseTo(PLACES[i][1], within(0.010));
        }
        assertThat(traverse.get("stations").get(1).get("stdDev").get("northing").doubleValue())
                .isBetween(0.0005, 0.01);
    }

    @Test
    void aBustedAngleIsLocated() throws FaultyFile {
        JsonNode result = computed(loop(new double[] {0, 0, Math.toRadians(1), 0}, new double[4], LOOP));
        assertThat(codes(result)).contains("misclosure-angle", "blunder-suspect");
        for (JsonNode finding : result.get("findings")) {
            if (finding.get("code").asString().equals("blunder-suspect")) {
                assertThat(finding.get("target").asString()).isEqualTo("T2");
                assertThat(finding.get("text").asString()).contains("the angle at T2");
            }
        }
    }

    @Test
    void whatIsAdoptedCarriesWhatHangsOnIt() throws FaultyFile {
        String loop = loop(new double[4], new double[] {0.010, 0, 0, 0}, LOOP.replace("}", ", \"adopt\": true}"));
        JsonNode result = computed(loop);
        JsonNode adjusted = result.get("traverses").get(0).get("stations").get(2);
        for (JsonNode mark : result.get("marks")) {
            if (mark.get("name").asString().equals("T2")) {
                assertThat(mark.get("northing").doubleValue())
                        .isCloseTo(adjusted.get("northing").doubleValue(), within(1e-9));
                assertThat(mark.get("adjustedBy").asString()).isEqualTo("Loop");
                assertThat(mark.get("from").asString()).isEqualTo("S2");
            }
        }
        assertThat(result.get("setups").get(2).get("northing").doubleValue())
                .isCloseTo(adjusted.get("northing").doubleValue(), within(1e-9));
    }

    @Test
    void anOpenTraverseHasNoMisclosures() throws FaultyFile {
        JsonNode result = computed(
                loop(new double[4], new double[4], "{\"name\": \"Open\", \"route\": [\"A\", \"T1\", \"T2\"]}"));
        JsonNode traverse = result.get("traverses").get(0);
        assertThat(traverse.get("northingMisclosure").isNull()).isTrue();
        assertThat(traverse.get("angularMisclosure").isNull()).isTrue();
        assertThat(traverse.get("legs").size()).isEqualTo(2);
        assertThat(codes(result)).contains("open-traverse");
    }

    /** The loop of {@link #loop} whose last sight, to A, was booked as a new mark "End". */
    private static String closedOn(String end, double longer) {
        String job = loop(new double[4], new double[] {0, 0, 0, longer}, "");
        int last = job.lastIndexOf("\"station\": \"T3\"");
        return (job.substring(0, last) + job.substring(last).replace("\"target\": \"A\", \"role\": \"check\"", end))
                .replace(
                        "{\"name\": \"T3\", \"kind\": \"new\"}",
                        "{\"name\": \"T3\", \"kind\": \"new\"}, {\"name\": \"End\", \"kind\": \"new\"}");
    }

    @Test
    void aClosingSightUnderAnotherNameIsProposed() throws FaultyFile {
        String end = "\"target\": \"End\", \"role\": \"foresight\"";
        JsonNode result = computed(closedOn(end, 0));
        assertThat(codes(result)).contains("closing-alias");
        for (JsonNode finding : result.get("findings")) {
            if (finding.get("code").asString().equals("closing-alias")) {
                assertThat(finding.get("target").asString()).isEqualTo("End");
                assertThat(finding.get("setup").asString()).isEqualTo("S4");
                assertThat(finding.get("value").doubleValue()).isCloseTo(0, within(1e-6));
                // Source: from memory; three legs at 2" and 2 mm + 2 ppm leave a few millimetres, three of them a
                // centimetre or two.
                assertThat(finding.get("limit").doubleValue()).isBetween(0.004, 0.04);
            }
        }
        // Never silently: the mark keeps a place of its own.
        assertThat(result.get("marks").toString()).contains("\"End\"");
    }

    @Test
    void aMarkAPaceAwayIsNoOtherName() throws FaultyFile {
        // Source: the trade; witness marks stand a step from what they witness.
        String end = "\"target\": \"End\", \"role\": \"foresight\"";
        assertThat(codes(computed(closedOn(end, 0.5)))).doesNotContain("closing-alias");
        assertThat(codes(computed(loop(new double[4], new double[4], LOOP)))).doesNotContain("closing-alias");
    }

    @Test
    void saidToBeTheSameItClosesTheFigure() throws FaultyFile {
        String end = "\"target\": \"End\", \"role\": \"foresight\"";
        String job = closedOn(end, 0)
                .replace("{\"name\": \"End\", \"kind\": \"new\"}", "{\"name\": \"End\", \"sameAs\": \"A\"}")
                .replace("\"traverses\": []", "\"traverses\": [" + LOOP.replace("A-again", "End") + "]");
        JsonNode result = computed(job);
        assertThat(result.get("traverses").get(0).get("linearMisclosure").doubleValue())
                .isCloseTo(0, within(1e-7));
        assertThat(codes(result)).doesNotContain("closing-alias", "open-traverse");
    }

    private static String withNetwork(String job, String asked) {
        return job.replace("\"traverses\": []", "\"traverses\": [], \"network\": {" + asked + "}");
    }

    @Test
    void theNetworkIsWrittenWithItsTestsMarksAndObservations() throws FaultyFile {
        JsonNode network = computed(withNetwork(loop(new double[4], new double[4], ""), "\"run\": true"))
                .get("network");
        // By hand: nine directions and nine distances less six coordinates and four orientations; nine height
        // differences less three elevations.
        assertThat(network.get("redundancy").intValue()).isEqualTo(8 + 6);
        assertThat(network.get("varianceFactor").doubleValue()).isCloseTo(0, within(1e-6));
        assertThat(network.get("accepted").booleanValue()).isTrue();
        assertThat(network.get("marks").size()).isEqualTo(3);
        assertThat(network.get("observations").size()).isEqualTo(27);
        for (JsonNode mark : network.get("marks")) {
            int i = List.of(NAMES).indexOf(mark.get("name").asString());
            assertThat(mark.get("northing").doubleValue()).isCloseTo(PLACES[i][0], within(1e-6));
            assertThat(mark.get("stdDev").get("easting").doubleValue()).isBetween(0.0005, 0.01);
            assertThat(mark.get("ellipse").get("semiMajor").doubleValue())
                    .isGreaterThanOrEqualTo(mark.get("ellipse").get("semiMinor").doubleValue());
        }
        assertThat(computed(loop(new double[4], new double[4], ""))
                        .get("network")
                        .isNull())
                .isTrue();
    }

    @Test
    void aNetworkThatCannotBeAdjustedSaysWhy() throws FaultyFile {
        String job = withNetwork(loop(new double[4], new double[4], ""), "\"run\": true");
        int setups = job.indexOf("\"setups\": [") + 11;
        JsonNode result = computed(job.substring(0, setups) + job.substring(job.indexOf(", \"traverses\"") - 1));
        assertThat(result.get("network").get("varianceFactor").isNull()).isTrue();
        assertThat(codes(result)).contains("network-test");
    }

    @Test
    void aLengthThatIsWrongBothWaysIsProposedByTheNetwork() throws FaultyFile {
        JsonNode result = computed(
                withNetwork(loop(new double[4], new double[] {0, 0.08, 0, 0}, ""), "\"run\": true, \"adopt\": false"));
        assertThat(result.get("network").get("accepted").booleanValue()).isFalse();
        assertThat(codes(result)).contains("network-test", "network-residual");
    }
}
