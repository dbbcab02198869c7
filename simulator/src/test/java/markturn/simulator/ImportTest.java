package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import markturn.formats.CoordinateCsv;
import markturn.formats.FaultyFile;
import markturn.formats.GeoJsonFile;
import markturn.formats.GeoJsonPoints;
import markturn.formats.ImportedPoint;
import markturn.formats.ImportedPoints;
import markturn.formats.JobFile;
import markturn.formats.LandXmlFile;
import markturn.formats.LandXmlReader;
import markturn.formats.PointTable;
import markturn.formats.PointTable.Meaning;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.GridProjection;
import markturn.survey.job.LengthUnit;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What comes in: tables as people write them, files back from where they were written, and 2 000 damaged ones of each kind. */
class ImportTest {
    private static final int MUTATED = 2000;
    private static final SurveyResult DEMO = Survey.compute(AlderWeir.job());

    private static PointTable table(String text) throws FaultyFile {
        return PointTable.read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static ImportedPoints points(PointTable table) {
        return table.points(table.proposal(), LengthUnit.METRE, table.decimalComma(), line -> {});
    }

    @Test
    void columnsComeInAnyOrder() throws FaultyFile {
        PointTable table = table("code,Easting (m),name,height,Northing (m)\nWALL,5000.5,A,12.25,1000.125\n");
        assertThat(table.proposal())
                .containsExactly(Meaning.CODE, Meaning.EASTING, Meaning.NAME, Meaning.ELEVATION, Meaning.NORTHING);
        assertThat(table.unitOfHeading()).contains(LengthUnit.METRE);
        ImportedPoint a = points(table).points().get(0);
        assertThat(a.northing()).isEqualTo(1000.125);
        assertThat(a.easting()).isEqualTo(5000.5);
        assertThat(a.elevation().getAsDouble()).isEqualTo(12.25);
        assertThat(a.code()).isEqualTo("WALL");
    }

    @Test
    void aDecimalCommaIsRecognised() throws FaultyFile {
        PointTable table = table("# von Hand\nA;1000,125;5000,5;12,25;X\nB;-3,5;7;;\n");
        assertThat(table.decimalComma()).isTrue();
        assertThat(table.parted()).isEqualTo("semicolons");
        ImportedPoints read = points(table);
        assertThat(read.points().get(0).northing()).isEqualTo(1000.125);
        assertThat(read.points().get(1).northing()).isEqualTo(-3.5);
        assertThat(read.points().get(1).elevation()).isEmpty();
        assertThat(points(table("A\t1000,5\t2000,25\n")).points().get(0).easting())
                .isEqualTo(2000.25);
    }

    @Test
    void blanksTabsAndBarsPartColumnsToo() throws FaultyFile {
        for (String text : List.of("A  1000.5   2000.25 3\n", "A\t1000.5\t2000.25\t3\n", "A|1000.5|2000.25|3\n")) {
            ImportedPoint a = points(table(text)).points().get(0);
            assertThat(a.easting()).as(text).isEqualTo(2000.25);
            assertThat(a.elevation().getAsDouble()).isEqualTo(3);
        }
    }

    // Source: RFC 4180, section 2: quoted fields, doubled quotation marks, line breaks inside them, CRLF.
    @Test
    void quotedFieldsAreReadAsTheStandardSays() throws FaultyFile {
        PointTable table = table(
                "name,northing,easting,code\r\n\"A, old\",1,2,\"the \"\"wall\"\"\"\r\nB,3,4,\"two\nlines\"\r\nC,5,6,\r\n");
        ImportedPoints read = points(table);
        assertThat(read.points().stream().map(ImportedPoint::name)).containsExactly("A, old", "B", "C");
        assertThat(read.points().get(0).code()).isEqualTo("the \"wall\"");
        assertThat(read.points().get(1).code()).isEqualTo("two\nlines");
        // A quotation mark that is never closed takes the rest of the file into its field: said, not guessed at.
        ImportedPoints open = points(table("A,1,2\nB,\"3,4\n"));
        assertThat(open.points()).hasSize(1);
        assertThat(open.faults().get(0).line()).startsWith("line 2, northing: 3,4");
    }

    @Test
    void aColumnMayBeWhateverSomebodySaysItIs() throws FaultyFile {
        PointTable table = table("1000.5 5000.25 7 A extra\n1001.5 5001.25 8 B extra\n");
        List<Meaning> chosen =
                List.of(Meaning.EASTING, Meaning.NORTHING, Meaning.NOTHING, Meaning.NAME, Meaning.NOTHING);
        ImportedPoint a = table.points(chosen, LengthUnit.METRE, false, line -> {})
                .points()
                .get(0);
        assertThat(a.name()).isEqualTo("A");
        assertThat(a.northing()).isEqualTo(5000.25);
        assertThat(a.elevation()).isEmpty();
        List<Meaning> two = List.of(Meaning.NAME, Meaning.NAME, Meaning.NORTHING, Meaning.EASTING, Meaning.NOTHING);
        assertThat(table.points(two, LengthUnit.METRE, false, line -> {})
                        .faults()
                        .get(0)
                        .line())
                .isEqualTo("columns: 2 with name: expected exactly one column with the name");
    }

    // Sources: 1959 agreement, 0.3048 m exactly; Mendenhall Order 1893, 1200/3937 m.
    @Test
    void theTwoFeetAreToldApart() throws FaultyFile {
        PointTable table = table("name,northing_us_ft,easting_us_ft\nA,1000000,2000000\n");
        assertThat(table.unitOfHeading()).contains(LengthUnit.US_SURVEY_FOOT);
        assertThat(table.proposal()).containsExactly(Meaning.NAME, Meaning.NORTHING, Meaning.EASTING);
        double survey = table.points(table.proposal(), LengthUnit.US_SURVEY_FOOT, false, line -> {})
                .points()
                .get(0)
                .northing();
        double international = table.points(table.proposal(), LengthUnit.FOOT, false, line -> {})
                .points()
                .get(0)
                .northing();
        assertThat(international).isCloseTo(304800, within(1e-6));
        assertThat(survey).isCloseTo(304800.6096012192, within(1e-6));
        assertThat(table("name,northing_ft,easting_ft\nA,1,2\n").unitOfHeading())
                .contains(LengthUnit.FOOT);
    }

    @Test
    void everyFaultNamesItsLineAndTheRestIsRead() throws FaultyFile {
        ImportedPoints read = points(table("name,northing,easting\nA,1,2\nB,x,2\nA,3,4\n,1,1\nC,5,6\n"));
        assertThat(read.points().stream().map(ImportedPoint::name)).containsExactly("A", "C");
        assertThat(read.faults().stream().map(f -> f.line()))
                .containsExactly(
                        "line 3, northing: x: expected a number such as 1234.567",
                        "line 4: A: is used twice: it stands at line 2 already",
                        "line 5: expected a name of 1 to 60 characters of plain text");
    }

    @Test
    void olderLettersAreReadAndSaid() throws FaultyFile {
        PointTable table = PointTable.read("Öhr,1,2\n".getBytes(Charset.forName("windows-1252")));
        assertThat(points(table).points().get(0).name()).isEqualTo("Öhr");
        assertThat(table.remarks()).hasSize(1);
        assertThatThrownBy(() -> PointTable.read(new byte[] {1, 0, 2})).isInstanceOf(FaultyFile.class);
        assertThatThrownBy(() -> table("\n\n")).isInstanceOf(FaultyFile.class);
    }

    @ParameterizedTest
    @EnumSource(LengthUnit.class)
    void whatIsWrittenIsReadBack(LengthUnit unit) throws FaultyFile {
        // The demo is in metres; the reader is told so whatever the parameter, and the files are read in their own
        // unit.
        ImportedPoints csv = points(PointTable.read(CoordinateCsv.write(DEMO)));
        ImportedPoints json = GeoJsonPoints.read(GeoJsonFile.write(DEMO), LengthUnit.METRE);
        ImportedPoints xml = LandXmlReader.points(LandXmlFile.write(DEMO));
        List<MeasuredMark> marks = DEMO.measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        for (ImportedPoints read : List.of(csv, json, xml)) {
            assertThat(read.faults()).isEmpty();
            assertThat(read.points()).hasSameSizeAs(marks);
            for (int i = 0; i < marks.size(); i++) {
                Position at = marks.get(i).position().orElseThrow();
                assertThat(read.points().get(i).name()).isEqualTo(marks.get(i).name());
                assertThat(read.points().get(i).northing()).isCloseTo(at.northing(), within(5.1e-5));
                assertThat(read.points().get(i).easting()).isCloseTo(at.easting(), within(5.1e-5));
                assertThat(read.points().get(i).elevation().getAsDouble())
                        .isCloseTo(at.elevation().getAsDouble(), within(5.1e-5));
            }
        }
        double scaled = GeoJsonPoints.read(GeoJsonFile.write(DEMO), unit)
                .points()
                .get(0)
                .northing();
        assertThat(scaled).isCloseTo(json.points().get(0).northing() * unit.metres(), within(1e-6));
    }

    // A general-purpose projection library there and back; a fifth of a millimetre is nine places of a degree.
    @Test
    void geographicFeaturesComeBackThroughTheProjection() throws FaultyFile {
        GridProjection projection = new GridProjection("+proj=utm +zone=32 +ellps=GRS80", 0);
        String json =
                "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"C\"},"
                        + "\"geometry\":{\"type\":\"Point\",\"coordinates\":[9,0]}},"
                        + "{\"type\":\"Feature\",\"properties\":{},\"geometry\":{\"type\":\"LineString\",\"coordinates\":[]}}]}";
        ImportedPoints read = GeoJsonPoints.readGeographic(json.getBytes(StandardCharsets.UTF_8), projection);
        // Source: the definition of UTM: the central meridian has easting 500 000, the equator northing 0.
        assertThat(read.points().get(0).easting()).isCloseTo(500000, within(1e-6));
        assertThat(read.points().get(0).northing()).isCloseTo(0, within(1e-6));
        assertThat(read.remarks()).containsExactly("1 feature is no point and was left out.");
    }

    @Test
    void aJobComesBackFromLandXmlWithTheSamePlaces() throws FaultyFile {
        LandXmlReader.Brought brought = LandXmlReader.job(LandXmlFile.write(DEMO));
        SurveyResult again = Survey.compute(brought.job());
        int compared = 0;
        for (MeasuredMark mark : DEMO.measured().marks()) {
            // Without its air a distance keeps what the instrument applied: a millimetre on the longest line here.
            if (mark.position().isPresent()) {
                Position now = again.measured()
                        .mark(mark.name())
                        .flatMap(MeasuredMark::position)
                        .orElseThrow();
                assertThat(now.distanceTo(mark.position().get()))
                        .as(mark.name())
                        .isLessThan(0.002);
                compared++;
            }
        }
        assertThat(compared).isGreaterThan(20);
        assertThat(brought.job().isPractice()).isTrue();
    }

    @Test
    void aDocumentTypeIsRefused() {
        String bomb =
                "<?xml version=\"1.0\"?><!DOCTYPE l [<!ENTITY a \"aaaa\"><!ENTITY b SYSTEM \"file:///etc/passwd\">]>"
                        + "<LandXML>&a;&b;</LandXML>";
        assertThatThrownBy(() -> LandXmlReader.points(bomb.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(FaultyFile.class)
                .hasMessageContaining("DOCTYPE");
    }

    /** One way in. */
    private interface Way {
        Object read(byte[] file) throws FaultyFile;
    }

    private static byte[] mutated(byte[] file, Random random) {
        List<Byte> bytes = new ArrayList<>();
        for (byte b : file) {
            bytes.add(b);
        }
        int changes = 1 + random.nextInt(6);
        for (int i = 0; i < changes && !bytes.isEmpty(); i++) {
            int at = random.nextInt(bytes.size());
            int length = Math.min(1 + random.nextInt(40), bytes.size() - at);
            switch (random.nextInt(6)) {
                case 0 -> bytes.set(at, (byte) random.nextInt(256));
                case 1 -> bytes.subList(at, at + length).clear();
                case 2 -> bytes.addAll(at, new ArrayList<>(bytes.subList(at, at + length)));
                case 3 -> bytes.set(at, (byte) "0123456789.,-;\"{}[]<>&e/ \n".charAt(random.nextInt(26)));
                case 4 -> bytes.addAll(at, List.of((byte) '9', (byte) '9', (byte) '9', (byte) 'e', (byte) '9'));
                default -> bytes.subList(at, bytes.size()).clear();
            }
        }
        byte[] changed = new byte[bytes.size()];
        for (int i = 0; i < changed.length; i++) {
            changed[i] = bytes.get(i);
        }
        return changed;
    }

    private static byte[] small() {
        var job = AlderWeir.job();
        SurveyResult one = Survey.compute(
                job.withSetup("S1", s -> s.withReadings(s.readings().subList(0, 10))));
        return LandXmlFile.write(one);
    }

    /** Each is read, or refused with faults that name a place; nothing else is ever thrown. */
    private static void fuzz(byte[] sound, Way way) {
        Random random = new Random(20261126);
        int refused = 0;
        for (int i = 0; i < MUTATED; i++) {
            byte[] file = mutated(sound, random);
            try {
                assertThat(way.read(file)).isNotNull();
            } catch (FaultyFile faulty) {
                refused++;
                assertThat(faulty.faults()).isNotEmpty();
                faulty.faults().forEach(f -> assertThat(f.line()).isNotBlank().doesNotContain("\n"));
            }
        }
        // Some of the damage is fatal and some is not; were it all one or the other, nothing would have been tried.
        assertThat(refused).isBetween(1, MUTATED - 1);
    }

    @Test
    void damagedTables() {
        fuzz(CoordinateCsv.write(DEMO), file -> {
            PointTable table = PointTable.read(file);
            return table.points(table.proposal(), LengthUnit.METRE, table.decimalComma(), line -> {});
        });
    }

    @Test
    void damagedFeatures() {
        fuzz(GeoJsonFile.write(DEMO), file -> GeoJsonPoints.read(file, LengthUnit.METRE));
        fuzz(
                GeoJsonFile.write(DEMO),
                file -> GeoJsonPoints.readGeographic(file, new GridProjection("+proj=utm +zone=32 +ellps=GRS80", 0)));
    }

    @Test
    void damagedLandXml() {
        fuzz(LandXmlFile.write(DEMO), LandXmlReader::points);
        fuzz(small(), file -> Optional.of(LandXmlReader.job(file)));
    }

    @Test
    void damagedJobFiles() {
        byte[] file = JobFile.write(AlderWeir.job()
                .withSetup("S1", s -> s.withReadings(s.readings().subList(0, 8))));
        fuzz(file, JobFile::read);
    }
}
