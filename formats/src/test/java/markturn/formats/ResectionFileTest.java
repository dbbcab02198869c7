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

/** A resection as a job file: every field of the result, from readings that geometry gives exactly. */
class ResectionFileTest {
    private static final double[][] MARKS = {
        {1100, 5040, 15}, {1010, 5130, 12}, {890, 5050, 9}, {960, 4880, 20},
    };
    private static final double NORTH = 1003;
    private static final double EAST = 5004;
    private static final double AXIS = 11.6;
    private static final double ORIENTATION = Math.toRadians(33);

    /** What is booked to mark i on one face, without curvature. */
    private static String reading(int i, String role, int set, boolean left, double longer, double moved) {
        double north = MARKS[i][0] - NORTH;
        double east = MARKS[i][1] + moved - EAST;
        double up = MARKS[i][2] + 1.5 - AXIS;
        double circle = Math.atan2(east, north) - ORIENTATION + (left ? 0 : Math.PI);
        double zenith = Math.atan2(Math.hypot(north, east), up);
        double slope = Math.hypot(Math.hypot(north, east), up) + longer;
        return String.format(
                Locale.ROOT,
                "{\"target\": \"%s\", \"role\": \"%s\", %s \"face\": \"%s\", \"circle\": \"%s\", \"zenith\": \"%s\", \"slope\": %.9f, \"reflector\": \"R1\", \"targetHeight\": {\"value\": 1.5, \"to\": \"axis\"}}",
                "ABCD".substring(i, i + 1),
                role,
                set == 0 ? "" : "\"set\": " + set + ",",
                left ? "left" : "right",
                AngleUnit.DMS.write(circle, 9),
                AngleUnit.DMS.write(left ? zenith : 2 * Math.PI - zenith, 9),
                slope);
    }

    private static String job(String more, List<String> readings) {
        StringBuilder marks = new StringBuilder();
        for (int i = 0; i < MARKS.length; i++) {
            marks.append(String.format(
                    Locale.ROOT,
                    "{\"name\": \"%s\", \"kind\": \"control\", \"northing\": %s, \"easting\": %s, \"elevation\": %s},",
                    "ABCD".substring(i, i + 1),
                    MARKS[i][0],
                    MARKS[i][1],
                    MARKS[i][2]));
        }
        return """
                {"format": "mark-turn-job", "version": 1, "name": "free", "units": {"length": "m", "angle": "dms"},
                 "earth": {"curvature": false},
                 "instruments": [{"name": "I1", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2, "heightStdDev": 0.001}],
                 "reflectors": [{"name": "R1", "centringStdDev": 0.001, "heightStdDev": 0.001}],
                 "marks": [%s {"name": "T", "kind": "new"}, {"name": "FS", "kind": "new"}],
                 "setups": [{"name": "S1", "station": "FS", "method": "resection", "instrument": "I1" %s, "readings": [%s]}]}""".formatted(marks, more, String.join(",\n", readings));
    }

    private static List<String> backsights(double longer, double movedD) {
        List<String> readings = new ArrayList<>();
        for (int set = 1; set <= 2; set++) {
            for (int i = 0; i < MARKS.length; i++) {
                readings.add(reading(i, "backsight", set, true, longer, i == 3 ? movedD : 0));
            }
            for (int i = MARKS.length - 1; i >= 0; i--) {
                readings.add(reading(i, "backsight", set, false, longer, i == 3 ? movedD : 0));
            }
        }
        return readings;
    }

    private static JsonNode computed(String job) throws FaultyFile {
        Job read = JobFile.read(job.getBytes(StandardCharsets.UTF_8));
        // What was written reads back as the same job.
        assertThat(JobFile.read(JobFile.write(read))).isEqualTo(read);
        return JsonMapper.builder().build().readTree(ResultFile.write(Survey.compute(read)));
    }

    private static List<String> codes(JsonNode result) {
        List<String> codes = new ArrayList<>();
        result.get("findings").forEach(f -> codes.add(f.get("code").asString()));
        return codes;
    }

    @Test
    void exactReadingsGiveTheStationAndEveryField() throws FaultyFile {
        JsonNode setup = computed(job(", \"instrumentHeight\": {\"value\": 1.6}", backsights(0, 0)))
                .get("setups")
                .get(0);
        // Source: geometry; the readings were computed from this place.
        assertThat(setup.get("northing").doubleValue()).isCloseTo(NORTH, within(1e-8));
        assertThat(setup.get("easting").doubleValue()).isCloseTo(EAST, within(1e-8));
        assertThat(setup.get("elevation").doubleValue()).isCloseTo(AXIS - 1.6, within(1e-8));
        assertThat(setup.get("method").asString()).isEqualTo("resection");
        // Orientation is the azimuth of reduced direction zero: the azimuth of A.
        double azimuth = Math.atan2(MARKS[0][1] - EAST, MARKS[0][0] - NORTH);
        assertThat(AngleUnit.DMS.read(setup.get("orientation").asString())).isCloseTo(azimuth, within(1e-9));
        assertThat(setup.get("redundancy").intValue()).isEqualTo(5);
        assertThat(setup.get("varianceFactor").doubleValue()).isCloseTo(0, within(1e-6));
        assertThat(setup.get("scalePpm").isNull()).isTrue();
        assertThat(setup.get("observations").size()).isEqualTo(12);
        double redundancies = 0;
        double elevations = 0;
        for (JsonNode observation : setup.get("observations")) {
            double r = observation.get("redundancy").doubleValue();
            boolean plan = !observation.get("kind").asString().equals("elevationDifference");
            redundancies += plan ? r : 0;
            elevations += plan ? 0 : r;
        }
        // Source: the redundancy numbers add up to observations less unknowns.
        assertThat(redundancies).isCloseTo(5, within(1e-9));
        assertThat(elevations).isCloseTo(3, within(1e-9));
        assertThat(setup.get("marks").size()).isEqualTo(4);
        assertThat(setup.get("leaveOneOut").size()).isEqualTo(4);
        assertThat(setup.get("leaveOneOut").get(0).get("northingShift").doubleValue())
                .isCloseTo(0, within(1e-7));
        assertThat(setup.get("ellipse").get("semiMajor").doubleValue()).isBetween(0.0005, 0.003);
        // The elevation's variance holds the instrument's height once.
        double elevationStdDev = setup.get("stdDev").get("elevation").doubleValue();
        assertThat(elevationStdDev).isGreaterThan(0.001);
    }

    @Test
    void withoutAHeightItsElevationIsThatOfTheAxis() throws FaultyFile {
        JsonNode setup = computed(job("", backsights(0, 0))).get("setups").get(0);
        assertThat(setup.get("elevation").doubleValue()).isCloseTo(AXIS, within(1e-8));
    }

    @Test
    void whatIsLeftOutIsListedAndNotUsed() throws FaultyFile {
        JsonNode result =
                computed(job(", \"leaveOut\": [\"C\", {\"target\": \"D\", \"only\": \"distance\"}]", backsights(0, 0)));
        JsonNode setup = result.get("setups").get(0);
        assertThat(setup.get("redundancy").intValue()).isEqualTo(2);
        int left = 0;
        for (JsonNode observation : setup.get("observations")) {
            if (!observation.get("used").booleanValue()) {
                left++;
                assertThat(observation.get("redundancy").isNull()).isTrue();
                assertThat(observation.get("residual").doubleValue()).isCloseTo(0, within(1e-4));
            }
        }
        assertThat(left).isEqualTo(4);
        assertThat(setup.get("backsights").get(2).get("used").booleanValue()).isFalse();
        assertThat(setup.get("backsights").get(3).get("used").booleanValue()).isTrue();
    }

    @Test
    void aScaleIsSolvedWhereAskedAndSuspectedWhereNot() throws FaultyFile {
        // Every distance 12 mm short: a constant. Distance from coordinates is s times measured, so s is above 1.
        JsonNode free = computed(job(", \"solveScale\": true", backsights(-0.012, 0)));
        assertThat(free.get("setups").get(0).get("scalePpm").doubleValue()).isGreaterThan(50);
        JsonNode held = computed(job("", backsights(-0.012, 0)));
        assertThat(held.get("setups").get(0).get("scalePpm").isNull()).isTrue();
        assertThat(codes(held)).contains("scale-suspect");
    }

    @Test
    void aMovedMarkIsNamed() throws FaultyFile {
        JsonNode result = computed(job("", backsights(0, 0.08)));
        assertThat(codes(result)).contains("mark-disagrees");
        for (JsonNode finding : result.get("findings")) {
            if (finding.get("code").asString().equals("mark-disagrees")) {
                assertThat(finding.get("target").asString()).isEqualTo("D");
                assertThat(finding.get("value").doubleValue()).isCloseTo(0.08, within(0.001));
                assertThat(finding.get("text").asString()).contains("80 mm east of its coordinates");
            }
        }
    }

    @Test
    void oneMarkPlacesNothingAndIsNoFault() throws FaultyFile {
        List<String> one = List.of(reading(0, "backsight", 1, true, 0, 0), reading(0, "backsight", 1, false, 0, 0));
        JsonNode result = computed(job("", one));
        assertThat(result.get("setups").get(0).get("northing").isNull()).isTrue();
        assertThat(codes(result)).contains("resection-undetermined");
    }

    @Test
    void aFixedFreeStationCarriesLikeAnyOther() throws FaultyFile {
        List<String> readings = new ArrayList<>(backsights(0, 0));
        // T lies where C is, by construction: sighted as new control it must come out there.
        readings.add(reading(2, "foresight", 1, true, 0, 0).replace("\"C\"", "\"T\""));
        readings.add(reading(2, "foresight", 1, false, 0, 0).replace("\"C\"", "\"T\""));
        readings.add(reading(0, "check", 0, true, 0, 0));
        JsonNode result = computed(job(", \"instrumentHeight\": {\"value\": 1.6}", readings));
        for (JsonNode mark : result.get("marks")) {
            if (mark.get("name").asString().equals("T")) {
                assertThat(mark.get("northing").doubleValue()).isCloseTo(MARKS[2][0], within(1e-7));
                assertThat(mark.get("elevation").doubleValue()).isCloseTo(MARKS[2][2], within(1e-7));
                assertThat(mark.get("from").asString()).isEqualTo("S1");
            }
            if (mark.get("name").asString().equals("FS")) {
                assertThat(mark.get("from").asString()).isEqualTo("S1");
            }
        }
        assertThat(result.get("setups").get(0).get("closingSight").isNull()).isFalse();
        assertThat(codes(result)).doesNotContain("backsight-missing", "station-unknown");
    }
}
