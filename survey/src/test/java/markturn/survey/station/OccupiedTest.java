package markturn.survey.station;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.circle;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Observation;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;

class OccupiedTest {
    private static final Earth FLAT = new Earth(6371000, 0.13, false, 1);
    private static final List<Reading> BACKSIGHT = pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100);

    private static MeasuredSetup setup(Setup.Orientation orientation, List<Reading> readings) {
        return Survey.compute(Jobs.with(FLAT, orientation, readings)).measured().setup("S1");
    }

    private static MeasuredSetup setup(List<Reading> readings) {
        return setup(new Setup.BySights(List.of("B")), readings);
    }

    @Test
    void threeBacksightsAreWeightedLeastSquaresWithItsReliability() {
        // Source: normal equations set up and solved by Hipparchus; redundancy = I − A(AᵀPA)⁻¹AᵀP (textbook).
        List<Reading> readings = all(
                BACKSIGHT,
                pair("C", Role.BACKSIGHT, 1, "90-00-06", "270-00-06", 200),
                pair("D", Role.BACKSIGHT, 1, "224-59-51", "44-59-51", 0));
        MeasuredSetup measured = setup(new Setup.BySights(List.of("B", "C", "D")), readings);
        double[] observed = {0, -6, 9};
        double[] distances = {100, 200, 100 * Math.sqrt(2)};
        RealMatrix weights = new Array2DRowRealMatrix(3, 3);
        for (int i = 0; i < 3; i++) {
            double seconds = Math.hypot(2, Math.sqrt(2e-6) / distances[i] / Angles.SECOND);
            weights.setEntry(i, i, 1 / (seconds * seconds));
        }
        RealMatrix design = new Array2DRowRealMatrix(new double[] {1, 1, 1});
        RealMatrix normal = design.transposeMultiply(weights).multiply(design);
        RealMatrix inverse = new LUDecomposition(normal).getSolver().getInverse();
        RealVector solution =
                inverse.multiply(design.transposeMultiply(weights)).operate(new ArrayRealVector(observed));
        assertThat(Angles.shortWay(measured.orientation().getAsDouble()) / Angles.SECOND)
                .isCloseTo(solution.getEntry(0), within(1e-7));
        // The mean's own deviation is propagated: each pointing and each target's centring, and the instrument's once
        // for all
        // rays.
        double propagated = 0;
        double[] azimuths = {0, Math.PI / 2, 5 * Math.PI / 4};
        double[] instrument = new double[2];
        for (int i = 0; i < 3; i++) {
            double share = inverse.getEntry(0, 0) * weights.getEntry(i, i);
            propagated += Math.pow(share, 2) * (Math.pow(2, 2) + Math.pow(0.001 / distances[i] / Angles.SECOND, 2));
            instrument[0] += share * -Math.sin(azimuths[i]) / distances[i];
            instrument[1] += share * Math.cos(azimuths[i]) / distances[i];
        }
        propagated += Math.pow(0.001 * Math.hypot(instrument[0], instrument[1]) / Angles.SECOND, 2);
        assertThat(Math.sqrt(measured.orientationVariance().getAsDouble()) / Angles.SECOND)
                .isCloseTo(Math.sqrt(propagated), within(1e-9));
        RealMatrix hat = design.multiply(inverse).multiply(design.transposeMultiply(weights));
        double squares = 0;
        for (int i = 0; i < 3; i++) {
            Observation observation = measured.observations().get(i);
            // Orientation per ray is minus the direction's misfit, so the residual (adjusted minus observed) is
            // observed − solution.
            double residual = observed[i] - solution.getEntry(0);
            assertThat(observation.residual() / Angles.SECOND).isCloseTo(residual, within(1e-7));
            assertThat(observation.redundancy().getAsDouble()).isCloseTo(1 - hat.getEntry(i, i), within(1e-10));
            squares += residual * residual * weights.getEntry(i, i);
        }
        assertThat(measured.varianceFactor().getAsDouble()).isCloseTo(squares / 2, within(1e-9));
        assertThat(measured.redundancy().getAsInt()).isEqualTo(2);
        // Left out in turn: without minus with.
        double withoutD = (observed[0] * weights.getEntry(0, 0) + observed[1] * weights.getEntry(1, 1))
                / (weights.getEntry(0, 0) + weights.getEntry(1, 1));
        assertThat(measured.leaveOneOut().get(2).orientationShift().getAsDouble() / Angles.SECOND)
                .isCloseTo(withoutD - solution.getEntry(0), within(1e-7));
    }

    @Test
    void theDetectableErrorFollowsFromItsProbabilities() {
        // Source: normal distribution, significance 0.1 % two-sided and power 80 %: 3.29 + 0.84 = 4.13.
        NormalDistribution normal = new NormalDistribution();
        double factor = -normal.inverseCumulativeProbability(0.0005) + normal.inverseCumulativeProbability(0.8);
        assertThat(Observation.DETECTABLE_FACTOR).isCloseTo(factor, within(0.005));
        Observation half = new Observation("B", Observation.Kind.DIRECTION, 3, 2, OptionalDouble.of(0.25), true);
        assertThat(half.standardised().getAsDouble()).isCloseTo(3, within(1e-12));
        assertThat(half.detectable().getAsDouble()).isCloseTo(4.13 * 4, within(1e-12));
        assertThat(new Observation("B", Observation.Kind.DIRECTION, 0, 2, OptionalDouble.of(0), true).detectable())
                .isEmpty();
    }

    @Test
    void oneBacksightChecksNothing() {
        MeasuredSetup measured = setup(BACKSIGHT);
        assertThat(measured.redundancy().getAsInt()).isZero();
        assertThat(measured.varianceFactor()).isEmpty();
        assertThat(measured.observations().get(0).standardised()).isEmpty();
    }

    @Test
    void aGivenAzimuthOrientsWithoutCoordinates() {
        List<Reading> readings = all(
                pair("T1", Role.BACKSIGHT, 1, "10-00-00", "190-00-00", 0),
                pair("T2", Role.FORESIGHT, 1, "100-00-00", "280-00-00", 50));
        MeasuredSetup measured = setup(new Setup.ByAzimuth(circle("30-00-00"), "T1"), readings);
        assertThat(AngleUnit.DMS.write(measured.orientation().getAsDouble(), 1)).isEqualTo("30-00-00.0");
        // Its standard deviation is that ray's direction; without a distance centring cannot be counted.
        assertThat(Math.sqrt(measured.orientationVariance().getAsDouble()) / Angles.SECOND)
                .isCloseTo(2, within(1e-9));
        // T2 lies 90° further on, at azimuth 120°.
        SurveyResult result = Survey.compute(Jobs.with(FLAT, new Setup.ByAzimuth(circle("30-00-00"), "T1"), readings));
        assertThat(result.measured()
                        .mark("T2")
                        .orElseThrow()
                        .position()
                        .orElseThrow()
                        .northing())
                .isCloseTo(1000 - 25, within(1e-9));
        assertThat(result.measured().mark("T1").orElseThrow().position()).isEmpty();
    }

    @Test
    void theBacksightIsComparedWithItsKnownInverse() {
        // B is 100 m due north and level; measured 100.01 m, read 3" below the horizon with a pole 4 mm longer than the
        // axis.
        List<Reading> readings = List.of(
                reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-03", 100.01),
                reading("B", Role.BACKSIGHT, 1, Face.RIGHT, "180-00-00", "269-59-57", 100.01));
        MeasuredSetup.Backsight row = setup(readings).backsights().get(0);
        assertThat(row.distanceDifference().getAsDouble()).isCloseTo(0.01, within(1e-7));
        assertThat(row.elevationDifference().getAsDouble()).isCloseTo(-100.01 * 3 * Angles.SECOND, within(1e-9));
        assertThat(row.northingDifference().getAsDouble()).isCloseTo(0.01, within(1e-7));
        assertThat(row.eastingDifference().getAsDouble()).isCloseTo(0, within(1e-9));
    }

    @Test
    void anotherNameForAMarkIsThatMark() {
        Job job = Jobs.with(all(
                pair("B-again", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)));
        Job named = job.plus(new Mark(
                        "B-again",
                        Mark.Kind.NEW,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        "",
                        Optional.of("B")))
                .withSetup("S1", s -> s.withOrientation(new Setup.BySights(List.of("B-again"))));
        SurveyResult result = Survey.compute(named);
        assertThat(result.measured()
                        .mark("T1")
                        .orElseThrow()
                        .position()
                        .orElseThrow()
                        .easting())
                .isCloseTo(5050, within(1e-9));
        assertThat(result.measured().marks()).extracting(m -> m.name()).doesNotContain("B-again");
    }

    @Test
    void aClosingSightOnACircleWithoutBacksightSaysNothing() {
        List<Reading> readings = new ArrayList<>(BACKSIGHT);
        readings.add(reading("B", Role.CHECK, 2, Face.LEFT, "33-00-00", "90-00-00", 100));
        assertThat(setup(readings).closingSight()).isEmpty();
    }

    @Test
    void aClosingSightOnBothFacesIsComparedWithBoth() {
        List<Reading> readings = new ArrayList<>(all(
                pair("B", Role.BACKSIGHT, 1, "0-00-03", "179-59-57", 100),
                pair("B", Role.BACKSIGHT, 2, "90-00-01", "269-59-59", 100)));
        readings.add(reading("B", Role.CHECK, 0, Face.LEFT, "90-00-10", "90-00-00", 100));
        readings.add(reading("B", Role.CHECK, 0, Face.RIGHT, "270-00-06", "270-00-00", 100));
        MeasuredSetup.ClosingSight closing = setup(readings).closingSight().orElseThrow();
        // Mean of faces 90°00'08" on the circle of set 2, whose zero is 90°00'00".
        assertThat(closing.direction() / Angles.SECOND).isCloseTo(8, within(1e-6));
        assertThat(closing.atLongest()).isEmpty();
    }

    @Test
    void theLastOfSeveralClosingSightsCounts() {
        List<Reading> readings = new ArrayList<>(BACKSIGHT);
        readings.add(reading("B", Role.CHECK, 0, Face.LEFT, "0-00-05", "90-00-00", 100));
        readings.add(reading("B", Role.CHECK, 0, Face.LEFT, "0-00-02", "90-00-00", 100));
        assertThat(setup(readings).closingSight().orElseThrow().direction() / Angles.SECOND)
                .isCloseTo(2, within(1e-6));
    }

    @Test
    void detailWithoutASetBelongsToTheCircleThatWasLastTurned() {
        // The circle is stepped between the sets; the shot after set 2 is read on its circle, though set 2 was later
        // struck out.
        List<Reading> second = pair("B", Role.BACKSIGHT, 2, "90-00-00", "270-00-00", 100);
        Reading shot = reading("301", Role.DETAIL, 0, Face.LEFT, "135-00-00", "90-00-00", 50);
        SurveyResult result = Survey.compute(Jobs.with(all(BACKSIGHT, second, List.of(shot))));
        assertThat(result.measured()
                        .mark("301")
                        .orElseThrow()
                        .position()
                        .orElseThrow()
                        .northing())
                .isCloseTo(1000 + 50 * Math.sqrt(0.5), within(1e-9));
        List<Reading> struck = second.stream().map(r -> r.struckOut("bump")).toList();
        SurveyResult without = Survey.compute(Jobs.with(all(BACKSIGHT, struck, List.of(shot))));
        assertThat(without.measured().mark("301").orElseThrow().position()).isEmpty();
        assertThat(without.findings())
                .anyMatch(
                        f -> f.code() == FindingCode.NO_COMMON_SET && f.target().equals("301"));
    }

    @Test
    void aSetupOnAnUnknownStationCarriesNothingAndSaysSo() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T2", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)))
                .withSetup("S1", s -> s.withStation("T1"));
        SurveyResult result = Survey.compute(job);
        assertThat(result.measured().setup("S1").station()).isEmpty();
        assertThat(result.measured().mark("T2").orElseThrow().position()).isEmpty();
        assertThat(result.findings()).anyMatch(f -> f.code() == FindingCode.STATION_UNKNOWN);
    }

    @Test
    void aLegFromALocatedPointIsComparedTooWhereSomebodyStandsOnIt() {
        // Common practice, no source: 50 m there and 50.1 m back.
        List<Reading> shot = List.of(reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50));
        Job job = Jobs.with(all(BACKSIGHT, shot));
        Job longer = job.plus(Jobs.setup("S2", "301", "A", pair("A", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 50.1)));
        assertThat(Survey.compute(job).findings()).noneMatch(f -> f.code() == FindingCode.BOTH_WAYS_DIFFER);
        assertThat(Survey.compute(longer).findings())
                .anyMatch(f ->
                        f.code() == FindingCode.BOTH_WAYS_DIFFER && f.setup().equals("S2"));
        // The figure's drawing is judged by the same limit. By hand: each way 2 mm + 2 ppm and two centrings of 1 mm,
        // 3.89 sigma (0.1 % per setup, shared by ten)
        // of both together, which is more than the 6 mm of the class.
        MeasuredTraverse.Leg leg = new MeasuredTraverse.Leg(
                "A", "301", OptionalDouble.empty(), 0, 50.05, OptionalDouble.empty(), OptionalDouble.of(0.1));
        double oneWay = 0.002 * 0.002 + Math.pow(2e-6 * 50, 2) + 2e-6;
        assertThat(TraverseLimits.bothWays(longer, Survey.compute(longer).measured(), leg))
                .isCloseTo(3.8906 * Math.sqrt(2 * oneWay), within(1e-5));
    }

    @Test
    void aStationCarriedEarlierBringsItsOwnUncertainty() {
        Job job = Jobs.with(all(BACKSIGHT, pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50)));
        Setup next = Jobs.setup(
                "S2",
                "T1",
                "A",
                all(
                        pair("A", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 50),
                        pair("T2", Role.FORESIGHT, 1, "180-00-00", "0-00-00", 50)));
        SurveyResult result = Survey.compute(job.plus(next));
        Covariance t1 = result.measured()
                .mark("T1")
                .orElseThrow()
                .position()
                .orElseThrow()
                .plan();
        Covariance t2 = result.measured()
                .mark("T2")
                .orElseThrow()
                .position()
                .orElseThrow()
                .plan();
        // The leg goes on due east: its length adds to the easting alone. σ² of a length: a² + (b D)² + two centrings.
        double length = 0.002 * 0.002 + Math.pow(2e-6 * 50, 2) + 2e-6;
        assertThat(t2.ee() - t1.ee()).isCloseTo(length, within(1e-12));
        assertThat(t2.nn()).isGreaterThan(t1.nn());
        assertThat(result.measured()
                        .mark("T2")
                        .orElseThrow()
                        .position()
                        .orElseThrow()
                        .easting())
                .isCloseTo(5100, within(1e-8));
    }

    @Test
    void theErrorEllipseIsTheEigenvaluesOfTheCovariance() {
        // Source: Hipparchus symmetric eigendecomposition.
        Covariance covariance = new Covariance(9e-6, 4e-6, 2e-6);
        var eigen =
                new EigenDecompositionSymmetric(new Array2DRowRealMatrix(new double[][] {{9e-6, 2e-6}, {2e-6, 4e-6}}));
        Covariance.Ellipse ellipse = covariance.ellipse();
        assertThat(ellipse.semiMajor()).isCloseTo(Math.sqrt(eigen.getEigenvalue(0)), within(1e-12));
        assertThat(ellipse.semiMinor()).isCloseTo(Math.sqrt(eigen.getEigenvalue(1)), within(1e-12));
        RealVector axis = eigen.getEigenvector(0);
        double azimuth = Math.atan2(axis.getEntry(1), axis.getEntry(0));
        assertThat(Math.sin(ellipse.azimuth() - azimuth)).isCloseTo(0, within(1e-9));
        assertThat(covariance.along(ellipse.azimuth())).isCloseTo(Math.pow(ellipse.semiMajor(), 2), within(1e-15));
    }

    @Test
    void aBacksightWithoutCoordinatesIsNamed() {
        List<Reading> readings = pair("T1", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100);
        SurveyResult result = Survey.compute(Jobs.with(FLAT, new Setup.BySights(List.of("T1")), readings));
        assertThat(result.measured().setup("S1").orientation()).isEqualTo(OptionalDouble.empty());
        assertThat(result.findings()).anyMatch(f -> f.code() == FindingCode.BACKSIGHT_UNKNOWN);
    }
}
