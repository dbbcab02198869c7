package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.UnaryOperator;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Units;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class JobFileTest {
    private static final String TWO_SETS = resource("two-sets.json");

    private static String resource(String name) {
        try (InputStream in = JobFileTest.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new java.io.UncheckedIOException(unreadable);
        }
    }

    private static Job read(String text) throws FaultyFile {
        return JobFile.read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static JsonNode result(String text) throws FaultyFile {
        return StrictJson.MAPPER.readTree(ResultFile.write(Survey.compute(read(text))));
    }

    @Test
    void aJobFileSurvivesTheRoundTrip() throws FaultyFile {
        Job job = read(TWO_SETS);
        assertThat(JobFile.read(JobFile.write(job))).isEqualTo(job);
    }

    @Test
    void bearingsByQuadrantAreASettingOfTheJob() throws FaultyFile {
        Job job = read(TWO_SETS);
        Job quadrants = job.with(new Units(job.units().length(), job.units().angle(), Units.Bearings.QUADRANT));
        assertThat(JobFile.read(JobFile.write(quadrants)).units().bearings()).isEqualTo(Units.Bearings.QUADRANT);
        assertThat(new String(JobFile.write(job), StandardCharsets.UTF_8)).doesNotContain("bearings");
    }

    @Test
    void aReferencePairSurvivesTheRoundTrip() throws FaultyFile {
        Job job = read(TWO_SETS);
        String from = job.marks().get(0).name();
        String to = job.marks().get(1).name();
        Job known = job.plus(
                new ReferencePair(from, to, OptionalDouble.of(15.24), 0.002, OptionalDouble.empty(), 0, "steel tape"));
        assertThat(JobFile.read(JobFile.write(known))).isEqualTo(known);
        assertThat(new SchemaCheck("job-file.schema.json").check(StrictJson.MAPPER.readTree(JobFile.write(known))))
                .isEmpty();
    }

    // The format, 17, as its text spells both.
    @Test
    void aCombinedPoleSurvivesTheRoundTrip() throws FaultyFile {
        Job job = read(TWO_SETS);
        Job pole = job.plus(new Reflector("Both", -0.03, 0.002, 0.002, Optional.empty(), OptionalDouble.of(0.274)))
                .plus(new SatelliteFix(
                                job.marks().get(0).name(),
                                new Mark.Coordinates(1, 2, OptionalDouble.of(14.5)),
                                new Mark.Deviations(0.01, 0.01, 0.02),
                                SatelliteFix.Use.CHECK)
                        .withAntennaHeight(Optional.of(MeasuredHeight.toAxis(2.274))));
        JsonNode written = StrictJson.MAPPER.readTree(JobFile.write(pole));
        assertThat(written.at("/fixes/0/antennaHeight/value").asString()).isEqualTo("2.274");
        assertThat(written.at("/fixes/0/elevation").asString()).isEqualTo("14.5");
        assertThat(written.get("reflectors")
                        .get(pole.reflectors().size() - 1)
                        .get("belowAntenna")
                        .asString())
                .isEqualTo("0.274");
        assertThat(JobFile.read(JobFile.write(pole))).isEqualTo(pole);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ft", "us-ft"})
    void aJobInFeetSurvivesTheRoundTripToTheLastDigit(String unit) throws FaultyFile {
        String feet = TWO_SETS.replace("\"length\": \"m\"", "\"length\": \"" + unit + "\"")
                .replace("0.002,", "0.0066,");
        byte[] once = JobFile.write(read(feet));
        assertThat(JobFile.write(JobFile.read(once))).isEqualTo(once);
        JsonNode marks = StrictJson.MAPPER.readTree(once).get("marks");
        assertThat(marks.get(0).get("elevation").asString()).isEqualTo("12.345");
        assertThat(StrictJson.MAPPER
                        .readTree(once)
                        .at("/setups/0/readings/0/slope")
                        .asString())
                .isEqualTo("141.431");
    }

    @Test
    void theResultConformsToItsPublishedSchema() throws FaultyFile {
        assertThat(new SchemaCheck("result-file.schema.json").check(result(TWO_SETS)))
                .isEmpty();
    }

    @Test
    void theResultOfTwoSetsIsTheHandReduction() throws FaultyFile {
        // Source: reduced by hand with the definitions of the format. Zeros 0°00'01" and 90°00'02"; T1 45°00'05" and
        // 45°00'10".
        JsonNode result = result(TWO_SETS);
        JsonNode t1 = result.at("/sets/1");
        assertThat(t1.get("direction").asString()).isEqualTo("45-00-07.500000");
        assertThat(t1.at("/residuals/0").doubleValue()).isCloseTo(2.5, within(1e-6));
        assertThat(t1.get("stdDev").doubleValue()).isCloseTo(Math.sqrt(12.5), within(1e-6));
        assertThat(t1.at("/collimation/1").doubleValue()).isCloseTo(4, within(1e-6));
        // The left-on prism constant of -30 mm is taken out of the reflectorless distance.
        assertThat(result.at("/sets/2/slope").doubleValue()).isCloseTo(50.03, within(1e-9));
        // Closing sight: left, reduced 5"; left faces before, reduced -3" and +2"; change 5.5".
        assertThat(result.at("/setups/0/closingSight/direction").doubleValue()).isCloseTo(5.5, within(1e-6));
        // B is at azimuth 45° exactly, so T1 lies due east and 7.5" south of it.
        double distance = 100.031 * Math.sin(Math.toRadians(90 + 3 / 3600.0));
        double azimuth = Math.toRadians(90 + 7.5 / 3600);
        assertThat(result.at("/marks/2/northing").doubleValue())
                .isCloseTo(1000 + distance * Math.cos(azimuth), within(1e-9));
        assertThat(result.at("/marks/2/easting").doubleValue())
                .isCloseTo(5000 + distance * Math.sin(azimuth), within(1e-9));
        // 0.2 beyond and 0.1 to the right of the wall point, seen at azimuth 135°.
        assertThat(result.at("/marks/3/name").asString()).isEqualTo("301");
        assertThat(result.at("/marks/3/northing").doubleValue())
                .isCloseTo(1000 + (-50.23 - 0.1) * Math.sqrt(0.5), within(1e-8));
        assertThat(result.at("/marks/3/easting").doubleValue())
                .isCloseTo(5000 + (50.23 - 0.1) * Math.sqrt(0.5), within(1e-8));
    }

    @Test
    void everyUnitGivesTheSameGround() throws FaultyFile {
        // Source: definitions of gon, degree and foot; the same readings written in other units must give the same
        // place.
        JsonNode metric = result(TWO_SETS);
        for (String unit : new String[] {"gon", "deg"}) {
            double turn = unit.equals("gon") ? 400 : 360;
            UnaryOperator<String> convert = dms -> {
                String[] p = dms.split("-");
                double degrees =
                        Double.parseDouble(p[0]) + Double.parseDouble(p[1]) / 60 + Double.parseDouble(p[2]) / 3600;
                return String.format(java.util.Locale.ROOT, "%.12f", degrees / 360 * turn);
            };
            String text = java.util.regex.Pattern.compile("\"(\\d+-\\d\\d-\\d\\d)\"")
                    .matcher(TWO_SETS.replace("\"angle\": \"dms\"", "\"angle\": \"" + unit + "\""))
                    .replaceAll(m -> "\"" + convert.apply(m.group(1)) + "\"");
            JsonNode other = result(text);
            assertThat(other.at("/marks/2/northing").doubleValue())
                    .isCloseTo(metric.at("/marks/2/northing").doubleValue(), within(1e-8));
            double small = unit.equals("gon") ? 1 / 3.24 : 1;
            assertThat(other.at("/sets/1/stdDev").doubleValue()).isCloseTo(3.5355339 * small, within(1e-5));
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // What is replaced | by what | path | words of the message
                "\"359-59-58\" | \"361-00-00\" | $.setups[0].readings[0].circle | below 360",
                "\"45-00-10\" | \"45-60-10\" | $.setups[0].readings[1].circle | end at 59",
                "\"45-00-10\" | \"45-00-60\" | $.setups[0].readings[1].circle | below 60",
                "\"45-00-10\" | 45.0 | $.setups[0].readings[1].circle | as text",
                "\"target\": \"301\" | \"target\": \"302\" | $.setups[0].readings[8].target | no mark of that name",
                "{\"name\": \"T1\" | {\"name\": \"A\" | $.marks[3].name | used twice",
                "\"slope\": 50.000 | \"slope\": -5 | $.setups[0].readings[8].slope | above 0",
                "\"slope\": 50.000 | \"slope\": 1e999 | $.setups[0].readings[8].slope | finite",
                "\"slope\": 50.000 | \"slope\": NaN | $ | not valid JSON",
                "\"instrumentHeight\": {\"value\": 1.600 | \"instrumentHeight\": {\"value\": 0 | $.setups[0].instrumentHeight.value | above 0",
                "\"kind\": \"new\" | \"kind\": \"news\" | $.marks[3].kind | control, new or located",
                "\"sights\": [\"B\"] | \"sights\": [] | $.setups[0].orientation.sights | at least one",
                "\"sights\": [\"B\"] | \"sights\": [\"A\"] | $.setups[0].orientation | its own backsight",
                "\"role\": \"detail\" | \"role\": \"detail\", \"colour\": 1 | $.setups[0].readings[8].colour | unknown key",
                "\"role\": \"detail\" | \"role\": \"detail\", \"role\": \"check\" | $ | uplicate",
                "\"method\": \"occupied\" | \"method\": \"occupied\", \"solveScale\": true | $.setups[0].solveScale | belongs to a resection",
                "\"method\": \"occupied\" | \"method\": \"resection\", \"leaveOut\": [\"Z\"] | $.setups[0].leaveOut[0] | no mark of that name",
                "\"method\": \"occupied\" | \"method\": \"resection\", \"leaveOut\": [{\"target\": \"B\", \"only\": \"x\"}] | $.setups[0].leaveOut[0].only | direction, distance or elevation",
                "\"decisions\": | \"traverses\": [{\"name\": \"L\", \"route\": [\"A\"]}], \"decisions\": | $.traverses[0].route | at least two",
                "\"decisions\": | \"traverses\": [{\"name\": \"L\", \"route\": [\"A\", \"Z\"]}], \"decisions\": | $.traverses[0].route[1] | no mark of that name",
                "\"instrument\": \"I1\" | \"instrument\": \"I2\" | $.setups[0].instrument | no instrument of that name",
                "\"version\": 1 | \"version\": 2 | $.version | expected 1",
                "\"at\": \"2026-05-04T09:12:00Z\" | \"at\": \"yesterday\" | $.setups[0].readings[0].at | expected a time"
            })
    void whatIsWrongIsNamedByPlaceValueAndExpectation(String what, String by, String path, String words) {
        String broken = TWO_SETS.replaceFirst(
                java.util.regex.Pattern.quote(what.replace("\\n", "\n")),
                java.util.regex.Matcher.quoteReplacement(by.replace("\\n", "\n")));
        assertThat(broken).isNotEqualTo(TWO_SETS);
        FaultyFile faulty = catchThrowableOfType(FaultyFile.class, () -> read(broken));
        assertThat(faulty).isNotNull();
        assertThat(faulty.faults().get(0).path()).isEqualTo(path);
        assertThat(faulty.getMessage()).contains(words == null ? "" : words);
    }

    @Test
    void filesThatAreNoFilesAreRefusedInOneLine() {
        byte[][] broken = {
            {},
            "   ".getBytes(StandardCharsets.UTF_8),
            {(byte) 0x89, 'P', 'N', 'G', 0, 1, 2, (byte) 0xff},
            TWO_SETS.substring(0, 700).getBytes(StandardCharsets.UTF_8),
            "[".repeat(100_000).getBytes(StandardCharsets.UTF_8),
            "{\"a\":".repeat(100_000).getBytes(StandardCharsets.UTF_8),
            "null".getBytes(StandardCharsets.UTF_8),
            (TWO_SETS + "{}").getBytes(StandardCharsets.UTF_8),
            new byte[JobFile.LARGEST_FILE + 1]
        };
        for (byte[] file : broken) {
            FaultyFile faulty = catchThrowableOfType(FaultyFile.class, () -> JobFile.read(file));
            assertThat(faulty).isNotNull();
            assertThat(faulty.faults()).hasSize(1);
            assertThat(faulty.faults().get(0).line())
                    .startsWith("$: ")
                    .doesNotContain("\n")
                    .doesNotContain("Exception");
        }
    }

    /** 64 MB of nothing would fill the memory many times over before anybody could say that it is no job. */
    @Test
    void whatWouldFillTheMemoryIsRefusedWhileItIsCounted() {
        String lists = "[" + "[],".repeat(1_200_000) + "[]]";
        Assertions.assertThatThrownBy(() -> JobFile.read(lists.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        FaultyFile.class,
                        faulty -> assertThat(faulty.faults())
                                .singleElement()
                                .satisfies(f -> assertThat(f.line()).contains("more than 1000000 lists and objects")));
    }

    /** Found by damaging files: a whole number beyond 64 bits broke the schema's own count. */
    @Test
    void aNumberBeyondAllBoundsIsNamed() {
        String file = TWO_SETS.replaceFirst("\"set\": *1", "\"set\": 9.99E93");
        assertThat(file).isNotEqualTo(TWO_SETS);
        Assertions.assertThatThrownBy(() -> JobFile.read(file.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        FaultyFile.class,
                        faulty -> assertThat(faulty.faults())
                                .anySatisfy(f -> assertThat(f.line()).contains("expected a finite number")));
    }

    /** Control characters are no text; what was taken in before that was asked opens all the same. */
    @Test
    void aTextThatIsNoneIsNamedAndWhatIsStoredOpens() throws FaultyFile {
        byte[] file =
                "{\"format\":\"mark-turn-job\",\"version\":1,\"name\":\"a\\u0007b\",\"units\":{\"length\":\"m\",\"angle\":\"dms\"},\"marks\":[],\"setups\":[]}"
                        .getBytes(StandardCharsets.UTF_8);
        Assertions.assertThatThrownBy(() -> JobFile.read(file))
                .isInstanceOfSatisfying(
                        FaultyFile.class,
                        faulty -> assertThat(faulty.faults())
                                .singleElement()
                                .satisfies(f ->
                                        assertThat(f.line()).contains("$.name").contains("character 2 is U+0007")));
        assertThat(JobReader.job(JsonTrees.read(new String(file, StandardCharsets.UTF_8)), new ArrayList<>())
                        .name())
                .isEqualTo("a\u0007b");
    }

    @Test
    void twoThousandMutilatedFilesAreReadOrRefusedNeverMore() {
        Random random = new Random(6);
        String parts = "{}[]\",:0-9e.tn\\ \u00e9";
        int refused = 0;
        for (int i = 0; i < 2000; i++) {
            StringBuilder text = new StringBuilder(TWO_SETS);
            for (int n = 1 + random.nextInt(3); n > 0; n--) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(3)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 -> text.insert(at, parts.charAt(random.nextInt(parts.length())));
                    default -> text.setCharAt(at, (char) ('!' + random.nextInt(94)));
                }
            }
            try {
                ResultFile.write(Survey.compute(read(text.toString())));
            } catch (FaultyFile faulty) {
                refused++;
                assertThat(faulty.faults())
                        .isNotEmpty()
                        .allSatisfy(f -> assertThat(f.path()).startsWith("$"));
            }
        }
        assertThat(refused).isGreaterThan(1000);
    }

    @Test
    void coordinatesReadBackWithAGeneralPurposeReader() throws FaultyFile, IOException {
        // Source: RFC 4180, read by Apache Commons CSV.
        String csv = new String(CoordinateCsv.write(Survey.compute(read(TWO_SETS))), StandardCharsets.UTF_8);
        var records = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new java.io.StringReader(csv))
                .getRecords();
        CSVRecord wall = records.stream()
                .filter(r -> r.get("name").equals("301"))
                .findFirst()
                .orElseThrow();
        assertThat(Double.parseDouble(wall.get("northing_m"))).isCloseTo(964.4113, within(0.0001));
        assertThat(wall.get("code")).isEqualTo("WALL");
        assertThat(wall.get("from")).isEqualTo("S1");
        assertThat(records).hasSize(4);
    }

    @Test
    void keysOfOnesOwnAreLeftAlone() throws FaultyFile {
        assertThat(read(TWO_SETS.replaceFirst("\"version\": 1", "\"version\": 1, \"x-crew\": {\"a\": [1]}"))
                        .name())
                .isEqualTo("Two sets");
    }
}
