package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * LandXML as others write it: without this program's own properties, in every unit of angle the format knows. The names of elements and
 * attributes are from memory of the published schema; the geometry is a right angle and a distance, by hand.
 */
class LandXmlTest {
    /** A at 1000, 5000; B 100 m north; P 50 m east of A. */
    private static byte[] file(String angular, String right, String zero, String quarter, String linear, double unit) {
        return """
                <?xml version="1.0"?>
                <LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2">
                 <Units><Metric linearUnit="%s" angularUnit="%s" directionUnit="%s"/></Units>
                 <Project name="by others"/>
                 <CgPoints>
                  <CgPoint name="A" pntSurv="control">%s %s %s</CgPoint>
                  <CgPoint name="B" pntSurv="control">%s %s %s</CgPoint>
                  <CgPoint name="P" code="WALL">0 0 0</CgPoint>
                  <CgPoint name="FAR">1 2</CgPoint>
                 </CgPoints>
                 <Survey>
                  <InstrumentSetup id="IS1" stationName="S1" instrumentHeight="%s">
                   <InstrumentPoint pntRef="A"/>
                   <Backsight><BacksightPoint pntRef="B"/></Backsight>
                   <RawObservation setupID="IS1" purpose="backsight" horizAngle="%s" zenithAngle="%s" slopeDistance="%s" targetHeight="%s" directFace="true"><TargetPoint pntRef="B"/></RawObservation>
                   <RawObservation setupID="IS1" purpose="sideshot" horizAngle="%s" zenithAngle="%s" slopeDistance="%s" targetHeight="%s" timeStamp="2026-05-04T09:12:00Z"><TargetPoint pntRef="P"/></RawObservation>
                  </InstrumentSetup>
                 </Survey>
                </LandXML>""".formatted(
                        linear,
                        angular,
                        angular,
                        n(1000 / unit),
                        n(5000 / unit),
                        n(10 / unit),
                        n(1100 / unit),
                        n(5000 / unit),
                        n(10 / unit),
                        n(1.6 / unit),
                        zero,
                        right,
                        n(100 / unit),
                        n(1.6 / unit),
                        quarter,
                        right,
                        n(50 / unit),
                        n(1.6 / unit))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static String n(double value) {
        return String.format(Locale.ROOT, "%.9f", value);
    }

    @ParameterizedTest
    @CsvSource({
        "decimal dd.mm.ss, 90.0000, 10.0000, 100.0000",
        "decimal degrees, 90, 10, 100",
        "grads, 100, 11.1111111, 111.1111111",
        "radians, 1.5707963268, 0.1745329252, 1.7453292520"
    })
    void everyUnitOfAngleLeadsToTheSamePlace(String angular, String right, String zero, String quarter)
            throws FaultyFile {
        for (LengthUnit unit : LengthUnit.values()) {
            String linear = unit == LengthUnit.METRE ? "meter" : unit == LengthUnit.FOOT ? "foot" : "USSurveyFoot";
            LandXmlReader.Brought brought =
                    LandXmlReader.job(file(angular, right, zero, quarter, linear, unit.metres()));
            assertThat(brought.job().units().length()).isEqualTo(unit);
            Measured measured = Survey.compute(brought.job()).measured();
            Position p = measured.mark("P").orElseThrow().position().orElseThrow();
            assertThat(p.northing()).as(angular + " " + unit).isCloseTo(1000, within(2e-4));
            assertThat(p.easting()).isCloseTo(5050, within(2e-4));
            assertThat(p.elevation().getAsDouble()).isCloseTo(10, within(1e-3));
            // The file says neither how precise its instrument is nor which reflector was used: that is said.
            assertThat(brought.remarks()).hasSize(3);
        }
    }

    @Test
    void whatWasObservedIsComputedAndTheRestKeepsItsCoordinates() throws FaultyFile {
        Job job = LandXmlReader.job(file("decimal degrees", "90", "10", "100", "meter", 1))
                .job();
        assertThat(job.name()).isEqualTo("by others");
        assertThat(job.mark("A").orElseThrow().kind()).isEqualTo(Mark.Kind.CONTROL);
        assertThat(job.mark("P").orElseThrow().given()).isEmpty();
        assertThat(job.mark("P").orElseThrow().code()).isEqualTo("WALL");
        assertThat(job.mark("FAR").orElseThrow().given().orElseThrow().easting())
                .isEqualTo(2);
        Reading shot = job.setup("S1").orElseThrow().readings().get(1);
        assertThat(shot.role()).isEqualTo(Reading.Role.DETAIL);
        assertThat(shot.at().orElseThrow()).hasToString("2026-05-04T09:12:00Z");
        assertThat(shot.origin()).isEqualTo(Reading.Origin.INSTRUMENT);
    }

    private static void faulty(String from, String to, String expected) {
        String text = new String(file("decimal degrees", "90", "10", "100", "meter", 1), StandardCharsets.UTF_8)
                .replace(from, to);
        assertThatThrownBy(() -> LandXmlReader.job(text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(FaultyFile.class)
                .hasMessageContaining(expected);
    }

    @Test
    void everyFaultNamesItsPlace() {
        faulty("horizAngle=\"100\"", "horizAngle=\"500\"", "setup S1, observation 2, horizAngle: 500: expected");
        faulty("horizAngle=\"100\"", "horizAngle=\"-1\"", "not negative");
        faulty("<TargetPoint pntRef=\"P\"/>", "", "observation 2: expected a TargetPoint");
        faulty("<InstrumentPoint pntRef=\"A\"/>", "", "expected an id and an InstrumentPoint");
        faulty("angularUnit=\"decimal degrees\"", "angularUnit=\"mils\"", "Units/angularUnit: mils");
        faulty("linearUnit=\"meter\"", "linearUnit=\"mile\"", "Units/linearUnit: mile");
        faulty("name=\"B\"", "name=\"A\"", "point A: is used twice");
        faulty("</LandXML>", "", "line ");
        faulty("<InstrumentPoint pntRef=\"A\"/>", "<InstrumentPoint pntRef=\"P\"/>", "the instrument stands on it");
        faulty("<Survey>", "<Other>", "not valid XML");
    }

    @Test
    void aFileWithoutASurveyIsForPointsOnly() throws FaultyFile {
        byte[] points =
                "<LandXML><Units><Metric linearUnit=\"meter\"/></Units><CgPoints><CgPoint name=\"Q\">1.5 2.5</CgPoint><CgPoint name=\"R\">x</CgPoint></CgPoints></LandXML>"
                        .getBytes(StandardCharsets.UTF_8);
        ImportedPoints read = LandXmlReader.points(points);
        assertThat(read.points()).hasSize(1);
        assertThat(read.points().get(0).elevation()).isEmpty();
        assertThat(read.faults().get(0).line()).startsWith("point R: x");
        assertThatThrownBy(() -> LandXmlReader.job(points)).hasMessageContaining("has no Survey");
    }

    @Test
    void whatTheFormatHoldsComesBackAndWhatItLeavesBehindIsSaid() throws Exception {
        String file;
        try (java.io.InputStream in = LandXmlTest.class.getResourceAsStream("/found/h-backsight-sideways-3.json")) {
            file = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        // On a grid, in the precise class, one backsight left out, control with deviations, air, and one reading struck
        // out.
        Job job = JobFile.read(file.replace("\"scaleFactor\": 1.0", "\"scaleFactor\": 0.9996")
                        .getBytes(StandardCharsets.UTF_8))
                .withMark("B2", m -> m.withStdDev(java.util.Optional.of(new Mark.Deviations(0.004, 0.003, 0.002))))
                .withSetup(
                        "S1",
                        s -> s.withOrientation(s.orientation()
                                        .without(List.of(new Setup.LeftOut("B1", java.util.Optional.empty())), false))
                                .withReadings(s.readings().stream()
                                        .map(r -> r
                                                        == s.readings()
                                                                .get(s.readings()
                                                                                .size()
                                                                        - 1)
                                                ? r.struckOut("bump")
                                                : r)
                                        .toList()));
        LandXmlReader.Brought brought = LandXmlReader.job(LandXmlFile.write(Survey.compute(job)));
        assertThat(brought.remarks()).anyMatch(r -> r.contains("1 reading struck out"));
        assertThat(brought.job().earth().scaleFactor()).isEqualTo(0.9996);
        assertThat(brought.job().classOfWork().preset())
                .isEqualTo(job.classOfWork().preset());
        assertThat(brought.job().mark("B2").orElseThrow().stdDev()).isPresent();
        assertThat(brought.job().setup("S1").orElseThrow().orientation().uses("B1", Setup.Part.DIRECTION))
                .isFalse();
        var before = Survey.compute(job)
                .measured()
                .mark("N0")
                .orElseThrow()
                .position()
                .orElseThrow();
        var after = Survey.compute(brought.job())
                .measured()
                .mark("N0")
                .orElseThrow()
                .position()
                .orElseThrow();
        assertThat(after.distanceTo(before)).isLessThan(0.0005);
    }
}
