package markturn.survey.locate;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Adopted;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import org.hipparchus.geometry.euclidean.threed.Rotation;
import org.hipparchus.geometry.euclidean.threed.RotationConvention;
import org.hipparchus.geometry.euclidean.threed.Vector3D;
import org.junit.jupiter.api.Test;

class CarryTest {
    private static final List<Reading> BACKSIGHT = pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100);

    private static Position position(SurveyResult result, String mark) {
        return result.measured().mark(mark).orElseThrow().position().orElseThrow();
    }

    @Test
    void polarCoordinatesAreThoseOfARotatedVector() {
        // Source: a general-purpose library (Hipparchus rotations in space): the ray turned about the vertical and
        // tilted by the zenith.
        Reading shot = reading("301", Role.DETAIL, 0, Face.LEFT, "131-22-33.4", "81-10-12", 77.777);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, List.of(shot))));
        Vector3D level = new Vector3D(1, 0, 0);
        Vector3D tilted = new Rotation(
                        Vector3D.PLUS_J,
                        AngleUnit.DMS.read("81-10-12") - Math.PI / 2,
                        RotationConvention.VECTOR_OPERATOR)
                .applyTo(level);
        Vector3D turned = new Rotation(
                        Vector3D.PLUS_K, AngleUnit.DMS.read("131-22-33.4"), RotationConvention.VECTOR_OPERATOR)
                .applyTo(tilted);
        Position at = position(result, "301");
        assertThat(at.northing()).isCloseTo(1000 + 77.777 * turned.getX(), within(1e-9));
        assertThat(at.easting()).isCloseTo(5000 + 77.777 * turned.getY(), within(1e-9));
        assertThat(at.elevation().getAsDouble()).isCloseTo(10 + 77.777 * turned.getZ(), within(1e-9));
    }

    @Test
    void theInverseOfACarriedPointIsItsObservation() {
        Reading shot = reading("301", Role.DETAIL, 0, Face.LEFT, "211-05-00", "90-00-00", 42);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, List.of(shot))));
        Position from = position(result, "A");
        assertThat(from.distanceTo(position(result, "301"))).isCloseTo(42, within(1e-10));
        assertThat(Angles.onCircle(from.azimuthTo(position(result, "301"))))
                .isCloseTo(AngleUnit.DMS.read("211-05-00"), within(1e-13));
    }

    @Test
    void gridDistancesAreGroundTimesTheScaleFactorAndOffsetsToo() {
        Earth grid = new Earth(6371000, 0.13, false, 0.9996);
        Reading offset = reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 100)
                .withOffset(new Reading.Offset(2, 3, 0.5));
        SurveyResult result =
                Survey.compute(Jobs.with(grid, new Setup.BySights(List.of("B")), all(BACKSIGHT, List.of(offset))));
        Position at = position(result, "301");
        // Looking east, beyond is east and right is south.
        assertThat(at.easting()).isCloseTo(5000 + 102 * 0.9996, within(1e-9));
        assertThat(at.northing()).isCloseTo(1000 - 3 * 0.9996, within(1e-9));
        assertThat(at.elevation().getAsDouble()).isCloseTo(10.5, within(1e-9));
    }

    @Test
    void standardDeviationsAreThoseOfNumericPropagation() {
        // Source: numeric differentiation of the computed coordinates, with the variances the practice gives for each
        // observation.
        List<Reading> readings = all(
                BACKSIGHT,
                List.of(
                        reading("T1", Role.FORESIGHT, 1, Face.LEFT, "40-00-00", "80-00-00", 150),
                        reading("T1", Role.FORESIGHT, 1, Face.RIGHT, "220-00-00", "280-00-00", 150)));
        Position at = position(Survey.compute(Jobs.with(readings)), "T1");
        double distance = 150 * Math.sin(Math.toRadians(80));
        double ranging = square(0.002) + square(2e-6 * distance);
        // The horizontal distance owes its error to slope and zenith angle.
        double horizontal = ranging * square(Math.sin(Math.toRadians(80)))
                + square(150 * Math.cos(Math.toRadians(80)) * 2 * Angles.SECOND);
        double azimuth = Math.toRadians(40);
        // Sources: both pointings, the distance, and the centring of instrument, backsight and foresight, north and
        // east each.
        double[] sigma = {
            2 * Angles.SECOND, 2 * Angles.SECOND, Math.sqrt(horizontal), 0.001, 0.001, 0.001, 0.001, 0.001, 0.001
        };
        double[] variance = new double[2];
        for (int i = 0; i < sigma.length; i++) {
            for (int axis = 0; axis < 2; axis++) {
                int source = i;
                int of = axis;
                variance[axis] += square(sigma[i] * partial(e -> carried(azimuth, distance, source, e)[of], 0));
            }
        }
        assertThat(at.plan().nn()).isCloseTo(variance[0], within(1e-12));
        assertThat(at.plan().ee()).isCloseTo(variance[1], within(1e-12));
        double refraction = square(distance) * 0.05 / (2 * 6371000.0);
        double height = square(distance * 2 * Angles.SECOND)
                + ranging * square(Math.cos(Math.toRadians(80)))
                + 1e-6
                + square(refraction)
                + 1e-6;
        assertThat(at.elevationVariance().getAsDouble()).isCloseTo(height, within(1e-13));
    }

    /** Where a mark is computed to lie from A, the backsight 100 m north, with one source of error of that size. */
    private static double[] carried(double azimuth, double distance, int source, double error) {
        double[] e = new double[9];
        e[source] = error;
        // The instrument stands at (e3, e4), the backsight's target at (100 + e5, e6), the foresight's beside its mark
        // by (e7, e8).
        double toBack = Math.atan2(e[6] - e[4], 100 + e[5] - e[3]) + e[0];
        double north = distance * Math.cos(azimuth) + e[7] - e[3];
        double east = distance * Math.sin(azimuth) + e[8] - e[4];
        double direction = Math.atan2(east, north) + e[1] - toBack;
        double measured = Math.hypot(north, east) + e[2];
        return new double[] {measured * Math.cos(direction), measured * Math.sin(direction)};
    }

    private static double partial(DoubleUnaryOperator f, double x) {
        return (f.applyAsDouble(x + 1e-6) - f.applyAsDouble(x - 1e-6)) / 2e-6;
    }

    private static double square(double x) {
        return x * x;
    }

    @Test
    void severalBacksightsOrientByTheirWeightedMean() {
        // C reads 10" more than its azimuth; B and C are weighed by their lengths. Source: textbook weighted mean.
        List<Reading> readings = all(BACKSIGHT, pair("C", Role.BACKSIGHT, 1, "90-00-10", "270-00-10", 200));
        Job job = Jobs.with(new Earth(6371000, 0.13, false, 1), new Setup.BySights(List.of("B", "C")), readings);
        MeasuredSetup setup = Survey.compute(job).measured().setup("S1");
        double weightB = 1 / (square(2 * Angles.SECOND) + 2e-6 / square(100));
        double weightC = 1 / (square(2 * Angles.SECOND) + 2e-6 / square(200));
        double mean = -10 * weightC / (weightB + weightC);
        assertThat(Angles.shortWay(setup.orientation().getAsDouble()) / Angles.SECOND)
                .isCloseTo(mean, within(1e-6));
        assertThat(setup.orientationVariance().getAsDouble()).isCloseTo(1 / (weightB + weightC), within(1e-20));
        assertThat(setup.redundancy().getAsInt()).isEqualTo(1);
        // Adjusted minus observed; the two redundancies share the one that is left.
        assertThat(setup.observations().get(1).residual() / Angles.SECOND).isCloseTo(-10 - mean, within(1e-6));
        assertThat(setup.observations().stream()
                        .mapToDouble(o -> o.redundancy().getAsDouble())
                        .sum())
                .isCloseTo(1, within(1e-12));
        assertThat(setup.leaveOneOut().get(0).orientationShift()).isEmpty();
    }

    @Test
    void aSecondFixIsACheckAndNeverMovesTheFirst() {
        Reading first = reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50);
        Reading second = reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50.02);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, List.of(first, second))));
        assertThat(position(result, "301").easting()).isCloseTo(5050, within(1e-9));
        Check check = result.measured().checks().get(0);
        assertThat(check.mark()).isEqualTo("301");
        assertThat(check.eastingDifference().getAsDouble()).isCloseTo(0.02, within(1e-9));
    }

    @Test
    void twoShotsOnOppositeFacesThatFollowEachOtherAreOneFix() {
        Reading left = reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-04", "90-00-00", 50);
        Reading right = reading("301", Role.DETAIL, 0, Face.RIGHT, "270-00-00", "270-00-00", 50);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, List.of(left, right))));
        assertThat(result.measured().checks()).isEmpty();
        assertThat(AngleUnit.DMS.write(
                        result.measured()
                                .setup("S1")
                                .sets("301")
                                .orElseThrow()
                                .direction()
                                .getAsDouble(),
                        1))
                .isEqualTo("90-00-02.0");
    }

    @Test
    void aCheckNeverCreatesAPositionAndABacksightNeither() {
        Reading check = reading("301", Role.CHECK, 0, Face.LEFT, "90-00-00", "90-00-00", 50);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, List.of(check))));
        assertThat(result.measured().mark("301").orElseThrow().position()).isEmpty();
        assertThat(result.measured().checks()).isEmpty();
    }

    @Test
    void satelliteFixesGivePositionsAsObservationsAndNoneForComparison() {
        // Source: the format (17): an observation gives what nothing else gives, before the setups; a check never gives
        // or moves one.
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)));
        SurveyResult observed = Survey.compute(job.plus(fix("T1", 1000.01, 5050, SatelliteFix.Use.OBSERVATION))
                .plus(fix("T2", 1200, 5200, SatelliteFix.Use.OBSERVATION)));
        assertThat(Math.sqrt(position(observed, "T2").plan().nn())).isCloseTo(0.01, within(1e-12));
        assertThat(position(observed, "T1").northing()).isEqualTo(1000.01);
        assertThat(observed.measured().checks())
                .singleElement()
                .satisfies(c -> assertThat(c.northingDifference().getAsDouble()).isCloseTo(-0.01, within(1e-9)));
        SurveyResult compared =
                Survey.compute(job.plus(fix("T1", 1000.01, 5050)).plus(fix("T2", 1200, 5200)));
        assertThat(position(compared, "T1").northing()).isCloseTo(1000, within(1e-9));
        assertThat(compared.measured().mark("T2").orElseThrow().position()).isEmpty();
        assertThat(compared.measured().checks())
                .singleElement()
                .satisfies(c -> assertThat(c.northingDifference().getAsDouble()).isCloseTo(0.01, within(1e-9)));
    }

    @Test
    void aFixThatIsStruckOutCountsNowhere() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)))
                .plus(fix("T1", 1000.01, 5050))
                .plus(fix("T2", 1200, 5200));
        Job struck = job.withFix(0, f -> f.withStruck(Optional.of("wrong pole")))
                .withFix(1, f -> f.withStruck(Optional.of("wrong pole")));
        SurveyResult result = Survey.compute(struck);
        assertThat(position(result, "T1").northing()).isCloseTo(1000, within(1e-9));
        assertThat(result.measured().mark("T2").orElseThrow().position()).isEmpty();
        assertThat(result.measured().checks()).isEmpty();
        assertThat(struck.withFix(0, f -> f.withStruck(Optional.empty()))
                        .withFix(1, f -> f.withStruck(Optional.empty())))
                .isEqualTo(job);
    }

    // The format, 17: with the antenna's height over the mark, the elevation is the antenna's and the mark lies that
    // much lower.
    @Test
    void theMarkLiesBelowTheAntenna() {
        SatelliteFix seen = new SatelliteFix(
                "T2",
                new Mark.Coordinates(1200, 5200, OptionalDouble.of(14.345)),
                new Mark.Deviations(0.01, 0.01, 0.02),
                SatelliteFix.Use.OBSERVATION);
        Job job = Jobs.with(List.of()).plus(Mark.named("T2", Mark.Kind.NEW));
        SurveyResult result = Survey.compute(job.plus(seen.withAntennaHeight(Optional.of(MeasuredHeight.toAxis(2)))));
        assertThat(position(result, "T2").elevation().getAsDouble()).isCloseTo(12.345, within(1e-9));
        assertThat(position(Survey.compute(job.plus(seen)), "T2").elevation()).hasValue(14.345);
    }

    private static SatelliteFix fix(String mark, double north, double east) {
        return fix(mark, north, east, SatelliteFix.Use.CHECK);
    }

    private static SatelliteFix fix(String mark, double north, double east, SatelliteFix.Use use) {
        return new SatelliteFix(
                mark,
                new Mark.Coordinates(north, east, OptionalDouble.empty()),
                new Mark.Deviations(0.01, 0.01, 0.02),
                use);
    }

    @Test
    void adoptedCoordinatesStandFromTheStart() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)));
        Adopted adopted = new Adopted(
                "T1",
                new Mark.Coordinates(1000, 5050.003, OptionalDouble.of(10)),
                Optional.empty(),
                "Loop",
                Optional.empty(),
                "",
                "");
        SurveyResult result = Survey.compute(job.plus(adopted));
        assertThat(position(result, "T1").easting()).isEqualTo(5050.003);
        assertThat(result.measured().mark("T1").orElseThrow().adjustedBy()).contains("Loop");
    }

    @Test
    void aClosingSightComparesLikeFaces() {
        // Collimation 3": face left reads 3" more than the mean. A single left check that reads the same has not
        // turned.
        List<Reading> readings = new ArrayList<>(all(
                pair("B", Role.BACKSIGHT, 1, "0-00-03", "179-59-57", 100),
                pair("T1", Role.FORESIGHT, 1, "90-00-03", "269-59-57", 50)));
        readings.add(reading("B", Role.CHECK, 0, Face.LEFT, "0-00-07", "90-00-00", 100));
        MeasuredSetup.ClosingSight closing = Survey.compute(Jobs.with(readings))
                .measured()
                .setup("S1")
                .closingSight()
                .orElseThrow();
        assertThat(closing.direction() / Angles.SECOND).isCloseTo(4, within(1e-6));
        assertThat(closing.atLongest().getAsDouble()).isCloseTo(50 * 4 * Angles.SECOND, within(1e-12));
    }

    @Test
    void aVerticalSightLeavesNoNumberThatIsNone() {
        Reading plumb = reading("301", Role.DETAIL, 0, Face.LEFT, "10-00-00", "0-00-00", 5);
        Position at = position(Survey.compute(Jobs.with(all(BACKSIGHT, List.of(plumb)))), "301");
        assertThat(at.plan().nn()).isFinite();
        assertThat(at.elevation().getAsDouble()).isCloseTo(15, within(1e-9));
    }

    @Test
    void aJobThatIsPlanOnlyShowsNoElevationAnywhere() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)));
        SurveyResult result = Survey.compute(job.withPlanOnly(true));
        assertThat(result.measured().marks())
                .allSatisfy(m -> assertThat(m.position()
                                .flatMap(p -> p.elevation().isPresent() ? Optional.of(1) : Optional.empty()))
                        .isEmpty());
        assertThat(result.measured().setup("S1").backsights().get(0).elevationDifference())
                .isEmpty();
    }

    @Test
    void aStationTapedToTheNotchCarriesTheVerticalHeight() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)))
                .withSetup("S1", s -> s.withInstrumentHeight(new MeasuredHeight(1.44, MeasuredHeight.To.NOTCH)));
        double vertical = Math.sqrt(1.44 * 1.44 - 0.05 * 0.05) + 0.16;
        assertThat(position(Survey.compute(job), "T1").elevation().getAsDouble())
                .isCloseTo(10 + vertical - 1.6, within(1e-9));
    }
}
