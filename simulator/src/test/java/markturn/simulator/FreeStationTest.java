package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Free stations turned by the simulated instrument: clean ones are quiet, and each trap of a resection has its finding. */
class FreeStationTest {
    private static final List<String> PILLARS = List.of("PILLAR 1", "PILLAR 2", "PILLAR 3", "PILLAR 4");

    private static Job job(long seed, List<String> sighted, boolean distances, UnaryOperator<World> disturbed) {
        World world = disturbed.apply(AlderWeirGround.world());
        Job blank = AlderWeir.blank();
        SimulatedStation station = new SimulatedStation(
                world,
                "BAR 1",
                1.5,
                0.5,
                blank.earth(),
                InstrumentErrors.of(blank.instruments().get(0)),
                new SeededRandom(seed));
        List<Reading> readings = new ArrayList<>();
        for (int set = 1; set <= 2; set++) {
            for (Face face : Face.values()) {
                for (String mark : sighted) {
                    Reading reading = station.point(mark, Role.BACKSIGHT, set, face, "Prism", 1.5);
                    readings.add(distances ? reading : reading.withSlope(OptionalDouble.empty()));
                }
            }
        }
        Setup setup = new Setup(
                "R1",
                "FREE",
                Setup.Method.RESECTION,
                "Station 1",
                Optional.of(MeasuredHeight.toAxis(1.5)),
                Optional.of(new Setup.Tilt(0, 0, true)),
                Optional.empty(),
                new Setup.ByResection(List.of(), false),
                readings);
        return blank.plus(Mark.named("FREE", Mark.Kind.NEW)).plus(setup);
    }

    private static List<String> codes(Job job) {
        return Survey.compute(job).findings().stream()
                .map(finding -> finding.code().key())
                .toList();
    }

    @Test
    void cleanFreeStationsAreFoundAndQuiet() {
        int alarms = 0;
        for (int seed = 1; seed <= 200; seed++) {
            SurveyResult result = Survey.compute(job(seed, PILLARS, true, w -> w));
            Position at = result.measured().setup("R1").station().orElseThrow();
            // Within five of its own deviations of where it truly stands.
            assertThat(Math.hypot(at.northing() - 2042.615, at.easting() - 4934.280))
                    .isLessThan(5 * at.plan().ellipse().semiMajor());
            alarms += result.findings().stream()
                            .anyMatch(f ->
                                    f.severity() != Finding.Severity.NOTE && f.code() != FindingCode.NOTHING_CHECKED)
                    ? 1
                    : 0;
        }
        assertThat(alarms).isLessThanOrEqualTo(4);
    }

    @ParameterizedTest
    @ValueSource(strings = {"PILLAR 1", "PILLAR 2", "PILLAR 3", "PILLAR 4"})
    void aKnockedPillarIsNamed(String knocked) {
        SurveyResult result = Survey.compute(job(3, PILLARS, true, w -> w.knock(knocked, 0.02, -0.04, 0)));
        Finding finding = result.findings().stream()
                .filter(f -> f.code() == FindingCode.MARK_DISAGREES)
                .findFirst()
                .orElseThrow();
        assertThat(finding.target()).isEqualTo(knocked);
        assertThat(finding.value().orElseThrow()).isCloseTo(Math.hypot(0.02, 0.04), within(0.006));
    }

    @Test
    void twoMarksSayWhatTheyHideAndWhereToLook() {
        SurveyResult result = Survey.compute(job(4, List.of("PILLAR 1", "PILLAR 2"), true, w -> w));
        Finding finding = result.findings().stream()
                .filter(f -> f.code() == FindingCode.TWO_MARKS)
                .findFirst()
                .orElseThrow();
        assertThat(finding.text())
                .contains("the distance between them")
                .contains("sideways would not show")
                .contains("sight PILLAR 3");
        // Pulled apart, the distance between them shows it, and it cannot be told which.
        assertThat(codes(job(4, List.of("PILLAR 1", "PILLAR 2"), true, w -> w.knock("PILLAR 2", 0.05, 0.01, 0))))
                .contains("marks-disagree");
    }

    @Test
    void marksOnOneSideAreWeak() {
        // From the bar pillar 2, crest 3 and pass 1 are seen within 18°.
        World world = AlderWeirGround.world();
        Job narrow = job(5, List.of("PILLAR 2", "CREST 3", "PASS 1"), true, w -> w);
        for (String mark : List.of("CREST 3", "PASS 1")) {
            World.TruePlace at = world.at(mark);
            narrow = narrow.plus(Mark.control(mark, at.northing(), at.easting(), OptionalDouble.empty(), ""));
        }
        assertThat(codes(narrow)).contains("weak-geometry");
        assertThat(codes(job(5, PILLARS, true, w -> w))).doesNotContain("weak-geometry");
    }

    @Test
    void threeDirectionsAlonePlaceItAndNearTheCircleThatIsSaid() {
        SurveyResult result = Survey.compute(job(6, List.of("PILLAR 1", "PILLAR 2", "PILLAR 3"), false, w -> w));
        Position at = result.measured().setup("R1").station().orElseThrow();
        assertThat(Math.hypot(at.northing() - 2042.615, at.easting() - 4934.280))
                .isLessThan(0.01);
        // The same marks from a place on their circle.
        double[] circle = circle(AlderWeirGround.world(), "PILLAR 1", "PILLAR 2", "PILLAR 3");
        World world = AlderWeirGround.world();
        double azimuth = Math.toRadians(230);
        world.with(
                "BAR 1",
                circle[0] + 1.03 * circle[2] * Math.cos(azimuth),
                circle[1] + 1.03 * circle[2] * Math.sin(azimuth),
                40);
        assertThat(codes(job(6, List.of("PILLAR 1", "PILLAR 2", "PILLAR 3"), false, w -> world)))
                .containsAnyOf("danger-circle", "resection-undetermined");
    }

    /** Source: the danger circle, common practice: angles alone on it leave the station free to slide. */
    @Test
    void oneMillimetreOffTheCircleIsAStop() {
        World world = AlderWeirGround.world();
        double[] circle = circle(world, "PILLAR 1", "PILLAR 2", "PILLAR 3");
        double azimuth = Math.toRadians(230);
        double away = circle[2] + 0.001;
        world.with("BAR 1", circle[0] + away * Math.cos(azimuth), circle[1] + away * Math.sin(azimuth), 40);
        for (long seed = 1; seed <= 5; seed++) {
            assertThat(Survey.compute(job(seed, List.of("PILLAR 1", "PILLAR 2", "PILLAR 3"), false, w -> world))
                            .findings())
                    .as("seed %d", seed)
                    .anyMatch(f -> f.severity() == Finding.Severity.STOP
                            && List.of("danger-circle", "weak-geometry", "resection-undetermined")
                                    .contains(f.code().key()));
        }
    }

    /** Source: plane geometry: three marks half a metre off a line of 200 m lie on a circle of 10 km, 60 m beside which nothing is dangerous. */
    @Test
    void marksNearlyOnALineMakeNoPlaceDangerous() {
        World world = AlderWeirGround.world();
        for (int i = 0; i < 3; i++) {
            world.with("PILLAR " + (i + 1), i == 1 ? 2000.5 : 2000, 4900 + 100.0 * i, 40);
        }
        world.with("BAR 1", 1940, 4985, 40);
        Job job = job(6, List.of("PILLAR 1", "PILLAR 2", "PILLAR 3"), false, w -> world);
        for (int i = 1; i <= 3; i++) {
            World.TruePlace at = world.at("PILLAR " + i);
            job = job.withMark(
                    "PILLAR " + i,
                    mark -> Mark.control(
                            mark.name(), at.northing(), at.easting(), OptionalDouble.of(at.elevation()), ""));
        }
        SurveyResult result = Survey.compute(job);
        Position at = result.measured().setup("R1").station().orElseThrow();
        assertThat(Math.hypot(at.northing() - 1940, at.easting() - 4985)).isLessThan(0.01);
        assertThat(codes(job)).doesNotContain("danger-circle");
    }

    private static double[] circle(World world, String a, String b, String c) {
        World.TruePlace pa = world.at(a);
        double bn = world.at(b).northing() - pa.northing();
        double be = world.at(b).easting() - pa.easting();
        double cn = world.at(c).northing() - pa.northing();
        double ce = world.at(c).easting() - pa.easting();
        double twice = 2 * (bn * ce - be * cn);
        double north = (ce * (bn * bn + be * be) - be * (cn * cn + ce * ce)) / twice;
        double east = (bn * (cn * cn + ce * ce) - cn * (bn * bn + be * be)) / twice;
        return new double[] {pa.northing() + north, pa.easting() + east, Math.hypot(north, east)};
    }

    private static Job mapped(Job job, UnaryOperator<Reading> change) {
        return job.withSetup(
                "R1", s -> s.withReadings(s.readings().stream().map(change).toList()));
    }

    @Test
    void aRoundErrorOfOneHeightIsSaid() {
        Job wrong = mapped(
                job(7, PILLARS, true, w -> w),
                r -> r.target().equals("PILLAR 3") ? r.withTargetHeight(MeasuredHeight.toAxis(1.6)) : r);
        SurveyResult result = Survey.compute(wrong);
        Finding finding = result.findings().stream()
                .filter(f -> f.code() == FindingCode.ELEVATION_ROUND_ERROR)
                .findFirst()
                .orElseThrow();
        assertThat(finding.target()).isEqualTo("PILLAR 3");
        assertThat(finding.text()).contains("100 mm");
    }

    @Test
    void exchangedNamesAreFound() {
        Job wrong = mapped(job(8, PILLARS, true, w -> w), r -> switch (r.target()) {
            case "PILLAR 2" -> r.withTarget("PILLAR 3");
            case "PILLAR 3" -> r.withTarget("PILLAR 2");
            default -> r;
        });
        assertThat(codes(wrong)).contains("names-swapped").doesNotContain("mark-disagrees");
    }

    @Test
    void aWrongConstantOnAllDistancesIsAScaleAndNoMark() {
        Job wrong = mapped(
                job(9, PILLARS, true, w -> w),
                r -> r.withApplied(new Reading.Applied(OptionalDouble.of(0), OptionalDouble.empty())));
        assertThat(codes(wrong)).contains("scale-suspect").doesNotContain("mark-disagrees", "marks-disagree");
    }

    @Test
    void workBeyondTheMarksIsSaid() {
        Job job = job(10, List.of("PILLAR 1", "PILLAR 3"), true, w -> w).plus(Mark.named("POND 2", Mark.Kind.NEW));
        SimulatedStation station = new SimulatedStation(
                AlderWeirGround.world(), "BAR 1", 1.5, 0.5, job.earth(), InstrumentErrors.none(), new SeededRandom(1));
        Reading far = station.point("POND 2", Role.FORESIGHT, 1, Face.LEFT, "Prism", 1.5);
        assertThat(codes(job.withSetup("R1", s -> s.plus(far)))).contains("outside-marks");
    }

    @Test
    void leavingOutUntilNothingIsLeftIsAllowedAndAStop() {
        Job job = job(11, List.of("PILLAR 1", "PILLAR 2"), true, w -> w);
        Job left = job.withSetup(
                "R1",
                s -> s.withOrientation(new Setup.ByResection(
                        List.of(new Setup.LeftOut("PILLAR 2", Optional.of(Setup.Part.DISTANCE))), false)));
        SurveyResult result = Survey.compute(left);
        assertThat(result.findings().stream()
                        .filter(f -> f.code() == FindingCode.NOTHING_CHECKED
                                && f.setup().equals("R1"))
                        .map(Finding::severity))
                .containsOnly(Finding.Severity.STOP);
    }

    @Test
    void aMarkThatTheRoverFixedHelpsAsMuchAsItIsWorth() {
        Job job = job(12, List.of("PILLAR 1", "PILLAR 2", "CREST 1"), true, w -> w)
                .plus(Mark.named("CREST 1", Mark.Kind.NEW));
        job = job.plus(new Practice(1, java.util.Set.of()).rover(job).fix("CREST 1", SatelliteFix.Use.OBSERVATION));
        SurveyResult result = Survey.compute(job);
        assertThat(result.measured().setup("R1").observations())
                .anyMatch(o ->
                        o.target().equals("CREST 1") && o.kind() == markturn.survey.result.Observation.Kind.NORTHING);
        // A centimetre of satellite noise does not pull the station off the pillars.
        Position at = result.measured().setup("R1").station().orElseThrow();
        assertThat(Math.hypot(at.northing() - 2042.615, at.easting() - 4934.280))
                .isLessThan(0.006);
    }

    @Test
    void heightsTogetherStayWhenInstrumentAndTargetChangePlaces() {
        Job job = AlderWeir.blank().plus(Mark.named("POND 1", Mark.Kind.NEW));
        Job kept = forced(job, 1.602, 1.480, 1.482, 1.600);
        assertThat(codes(kept)).doesNotContain("height-after-move");
        assertThat(codes(forced(job, 1.602, 1.480, 1.482, 1.560))).contains("height-after-move");
    }

    /** On pillar 1 to pond 1 and back, both on tribrachs that stay. */
    private static Job forced(Job job, double first, double targetThere, double second, double targetBack) {
        return job.plus(swap("S1", "PILLAR 1", "PILLAR 2", "POND 1", first, targetThere))
                .plus(swap("S2", "POND 1", "PILLAR 1", "PILLAR 2", second, targetBack));
    }

    private static Setup swap(
            String name, String station, String back, String fore, double height, double targetHeight) {
        String forced = station.equals("POND 1") ? back : fore;
        SimulatedStation simulated = new SimulatedStation(
                AlderWeirGround.world(),
                station,
                height,
                0.3,
                AlderWeir.blank().earth(),
                InstrumentErrors.none(),
                new SeededRandom(2));
        List<Reading> readings = new ArrayList<>();
        for (String target : List.of(back, fore)) {
            Role role = target.equals(back) ? Role.BACKSIGHT : target.startsWith("POND") ? Role.FORESIGHT : Role.CHECK;
            Reading r = simulated.point(target, role, 1, Face.LEFT, "Prism", targetHeight);
            readings.add(target.equals(forced) ? r.withCentring(0.0003) : r);
        }
        return new Setup(
                name,
                station,
                Setup.Method.OCCUPIED,
                "Station 1",
                Optional.of(MeasuredHeight.toAxis(height)),
                Optional.empty(),
                Optional.empty(),
                new Setup.BySights(List.of(back)),
                new Setup.SettingUp(OptionalDouble.empty(), OptionalDouble.of(0.0003), Optional.empty()),
                readings);
    }
}
