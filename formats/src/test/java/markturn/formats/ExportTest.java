package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Units;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Exports read back by general-purpose readers, beside each other and beside published constants. */
class ExportTest {
    private static SurveyResult job(LengthUnit unit, Optional<GridProjection> projection) {
        Job job = Job.opened(
                "Weir, Südufer",
                "",
                new Units(unit, AngleUnit.DMS),
                ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                false,
                new Earth(6371000, 0.13, true, 1, projection));
        return Survey.compute(job.plus(Mark.control("P 1", 4982950.4004, 500000, OptionalDouble.of(12.3456), ""))
                .plus(Mark.control("Öhr\n2", 4982850.12344, 500123.45678, OptionalDouble.empty(), "")));
    }

    private static List<String[]> pairs(byte[] dxf) {
        // Source: the open description of the format: a group code on one line, its value on the next.
        String[] lines = new String(dxf, java.nio.charset.Charset.forName("windows-1252")).split("\r\n");
        assertThat(lines.length % 2).isZero();
        List<String[]> pairs = new ArrayList<>();
        for (int i = 0; i < lines.length; i += 2) {
            assertThat(lines[i]).matches(" *\\d+");
            pairs.add(new String[] {lines[i].strip(), lines[i + 1]});
        }
        return pairs;
    }

    private static List<String> values(List<String[]> pairs, String entity, String group) {
        List<String> values = new ArrayList<>();
        String in = "";
        for (String[] pair : pairs) {
            in = pair[0].equals("0") ? pair[1] : in;
            if (in.equals(entity) && pair[0].equals(group)) {
                values.add(pair[1]);
            }
        }
        return values;
    }

    @Test
    void theDrawingTheFeaturesAndTheTableAgreeToTheLastDigit() throws Exception {
        for (LengthUnit unit : List.of(LengthUnit.METRE, LengthUnit.FOOT)) {
            SurveyResult result = job(unit, Optional.empty());
            List<String[]> dxf = pairs(DxfFile.write(result, 500));
            JsonNode json = JsonMapper.builder().build().readTree(GeoJsonFile.write(result));
            List<CSVRecord> csv = CSVParser.parse(
                            new String(CoordinateCsv.write(result), StandardCharsets.UTF_8),
                            CSVFormat.RFC4180
                                    .builder()
                                    .setHeader()
                                    .setSkipHeaderRecord(true)
                                    .get())
                    .getRecords();
            assertThat(json.get("features").size()).isEqualTo(csv.size()).isEqualTo(2);
            for (int i = 0; i < csv.size(); i++) {
                JsonNode coordinates =
                        json.get("features").get(i).get("geometry").get("coordinates");
                assertThat(coordinates.get(0).doubleValue())
                        .isEqualTo(Double.parseDouble(csv.get(i).get(3)));
                assertThat(coordinates.get(1).doubleValue())
                        .isEqualTo(Double.parseDouble(csv.get(i).get(2)));
                assertThat(values(dxf, "POINT", "10").get(i))
                        .isEqualTo(csv.get(i).get(3));
                assertThat(values(dxf, "POINT", "20").get(i))
                        .isEqualTo(csv.get(i).get(2));
            }
            assertThat(values(dxf, "POINT", "30").get(0)).isEqualTo(csv.get(0).get(4));
        }
    }

    @Test
    void theDrawingIsWhole() {
        List<String[]> dxf = pairs(DxfFile.write(job(LengthUnit.METRE, Optional.empty()), 500));
        assertThat(dxf.get(dxf.size() - 1)).containsExactly("0", "EOF");
        long opened = dxf.stream()
                .filter(p -> p[0].equals("0") && p[1].equals("SECTION"))
                .count();
        long closed = dxf.stream()
                .filter(p -> p[0].equals("0") && p[1].equals("ENDSEC"))
                .count();
        assertThat(opened).isEqualTo(closed).isEqualTo(3);
        // Every layer that is used is declared.
        assertThat(values(dxf, "LAYER", "2"))
                .containsAll(values(dxf, "POINT", "8"))
                .containsAll(values(dxf, "TEXT", "8"));
        // Names in the size of a plan at 1:500: 2 mm on paper.
        assertThat(values(dxf, "TEXT", "40")).containsOnly("1.0000");
        assertThat(values(dxf, "TEXT", "1")).containsExactly("P 1", "Öhr?2");
        assertThat(dxf.stream().filter(p -> p[0].equals("999")).map(p -> p[1]))
                .anyMatch(text -> text.contains("licensed surveyor"));
    }

    @Test
    void withAProjectionMarksLieWhereTheMeridianSays() throws Exception {
        // Source: the meridian arc from the equator to 45° on the GRS 80 ellipsoid is 4 984 944.378 m (from memory); on
        // the central
        // meridian of a transverse Mercator projection the northing is that times the scale there.
        GridProjection utm = new GridProjection("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m", 0);
        JsonNode json = JsonMapper.builder()
                .build()
                .readTree(GeoJsonFile.writeGeographic(job(LengthUnit.METRE, Optional.of(utm)))
                        .orElseThrow());
        JsonNode first = json.get("features").get(0).get("geometry").get("coordinates");
        assertThat(first.get(0).doubleValue()).isCloseTo(9, within(1e-9));
        assertThat(first.get(1).doubleValue()).isCloseTo(45, within(2e-8));
        assertThat(GeoJsonFile.writeGeographic(job(LengthUnit.METRE, Optional.empty())))
                .isEmpty();
    }

    /** Asked of every format that is listed: one that is added is asked too. What brings the job back holds its readings, and each says it. */
    @Test
    void whatIsPracticeSaysSoInEveryFormatAndWhatOthersReadCarriesTheCaution() {
        GridProjection utm = new GridProjection("+proj=utm +zone=32 +ellps=GRS80 +towgs84=0,0,0 +units=m", 0);
        Job booked = job(LengthUnit.METRE, Optional.of(utm)).job();
        SurveyResult result = Survey.compute(booked.plus(new SatelliteFix(
                "P 1",
                new Mark.Coordinates(4982950.4, 500000, OptionalDouble.of(12.3)),
                new Mark.Deviations(0.01, 0.01, 0.02),
                SatelliteFix.Use.CHECK,
                Reading.Origin.SIMULATED,
                "",
                Optional.empty(),
                Optional.empty())));
        assertThat(result.job().isPractice()).isTrue();
        for (OpenFormat format : OpenFormats.ALL) {
            String file = new String(format.write(result, 500).orElseThrow(), StandardCharsets.UTF_8);
            assertThat(file.replace(" : ", ":"))
                    .as(format.name())
                    .containsAnyOf("PRACTICE", "\"practice\":true", "\"origin\":\"simulated\"");
            assertThat(format.ending(500)).as(format.name()).matches("[a-z0-9.-]+");
            if (!format.mediaType().equals("application/json") && format != CoordinateCsv.FORMAT) {
                assertThat(file).as(format.name()).contains(Cautions.EXPORT);
            }
        }
        assertThat(OpenFormats.ALL).extracting(OpenFormat::name).doesNotHaveDuplicates();
    }

    /** OWASP, formula injection: a cell that begins so is taken for a formula by spreadsheets. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(strings = {"=1+1", "+1", "-1", "@SUM(A1)", "\t=1"})
    void aNameIsNoFormula(String name) {
        Job job = job(LengthUnit.METRE, Optional.empty()).job();
        String csv = new String(
                CoordinateCsv.write(Survey.compute(job.plus(Mark.control(name, 1, 2, OptionalDouble.empty(), "")))),
                StandardCharsets.UTF_8);
        assertThat(csv).contains("'" + name);
    }
}
