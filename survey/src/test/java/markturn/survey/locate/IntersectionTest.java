package markturn.survey.locate;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
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
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DiagonalMatrix;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;
import org.junit.jupiter.api.Test;

/** Marks that no setup places alone. A, B, C and D are control (1000, 5000), (1100, 5000), (1000, 5200), (900, 4900). */
class IntersectionTest {
    private static final double[][] CONTROL = {{1000, 5000}, {1100, 5000}, {1000, 5200}, {900, 4900}};
    private static final String[] NAMES = {"A", "B", "C", "D"};

    private static double azimuth(int from, double north, double east) {
        return Math.atan2(east - CONTROL[from][1], north - CONTROL[from][0]);
    }

    private static String circle(double radians) {
        return AngleUnit.DMS.write(Angles.onCircle(radians), 6);
    }

    /** A setup on one control mark, oriented by another, its circle reading azimuths. */
    private static Setup setup(int on, int back, List<Reading> more) {
        double zero = azimuth(on, CONTROL[back][0], CONTROL[back][1]);
        double length = Math.hypot(CONTROL[back][0] - CONTROL[on][0], CONTROL[back][1] - CONTROL[on][1]);
        return Jobs.setup(
                "S" + NAMES[on],
                NAMES[on],
                NAMES[back],
                all(pair(NAMES[back], Role.BACKSIGHT, 1, circle(zero), circle(zero + Math.PI), length), more));
    }

    /** A setup on one mark whose circle reads azimuths, with the azimuth of X. */
    private static Setup azimuths(String on, String back, double toBack, double toX) {
        return Jobs.setup(
                "S" + on,
                on,
                back,
                all(
                        Jobs.pair(back, Role.BACKSIGHT, 1, circle(toBack), circle(toBack + Math.PI), 6870.9),
                        level("X", toX)));
    }

    private static List<Reading> direction(String target, double azimuth, String left, String right) {
        return List.of(
                Jobs.reading(target, Role.DETAIL, 1, Face.LEFT, circle(azimuth), left, 0),
                Jobs.reading(target, Role.DETAIL, 1, Face.RIGHT, circle(azimuth + Math.PI), right, 0));
    }

    private static List<Reading> level(String target, double azimuth) {
        return direction(target, azimuth, "90-00-00", "270-00-00");
    }

    private static Job job(List<Setup> setups) {
        Job job = Jobs.with(new Earth(6371000, 0.13, false, 1), new Setup.BySights(List.of("B")), List.of());
        return job.withSetups(setups).plus(Mark.named("X", Mark.Kind.LOCATED));
    }

    private static Position at(SurveyResult result, String mark) {
        return result.measured().mark(mark).flatMap(MeasuredMark::position).orElseThrow();
    }

    private static List<String> codes(SurveyResult result, String mark) {
        return result.findings().stream()
                .filter(f -> f.target().equals(mark))
                .map(finding -> finding.code().key())
                .toList();
    }

    @Test
    void twoDirectionsMeetWhereTheyShouldAndCarryElevations() {
        // By hand: from A 60 m north and 80 m east (a 3-4-5 triangle, 100 m away, 10 m up), from B 40 m south and 80 m
        // east.
        double up = Math.atan2(100, 10);
        String left = circle(up);
        String right = circle(2 * Math.PI - up);
        double fromB = Math.atan2(Math.hypot(40, 80), 10);
        SurveyResult result = Survey.compute(job(List.of(
                setup(0, 1, direction("X", Math.atan2(80, 60), left, right)),
                setup(1, 0, direction("X", Math.atan2(80, -40), circle(fromB), circle(2 * Math.PI - fromB))))));
        Position at = at(result, "X");
        assertThat(at.northing()).isCloseTo(1060, within(1e-5));
        assertThat(at.easting()).isCloseTo(5080, within(1e-5));
        assertThat(at.elevation().getAsDouble()).isCloseTo(20, within(1e-5));
        assertThat(result.measured().mark("X").orElseThrow().from()).hasValue(MeasuredSetup.SEVERAL);
        assertThat(result.measured().checks()).isEmpty();
    }

    // From memory: P. R. Wolf and C. D. Ghilani, Elementary Surveying, the intersection of two lines of known azimuth.
    @Test
    void theTextbooksTwoAzimuthsMeetAtItsPoint() {
        double fromA = Math.toRadians(76 + 4 / 60.0 + 24 / 3600.0);
        double fromB = Math.toRadians(141 + 30 / 60.0 + 16 / 3600.0);
        double line = Math.atan2(7484.80 - 1425.07, 5209.64 - 1971.28);
        Job job = job(List.of(azimuths("A", "B", line, fromA), azimuths("B", "A", line + Math.PI, fromB)))
                .withMarks(List.of(
                        Mark.control("A", 1971.28, 1425.07, OptionalDouble.empty(), "textbook"),
                        Mark.control("B", 5209.64, 7484.80, OptionalDouble.empty(), "textbook"),
                        Mark.named("X", Mark.Kind.LOCATED)));
        Position at = at(Survey.compute(job), "X");
        assertThat(at.northing()).isCloseTo(3759.83, within(0.006));
        assertThat(at.easting()).isCloseTo(8637.85, within(0.006));
    }

    @Test
    void oneDirectionAsksForASecondSightAndSaysFromWhere() {
        SurveyResult result = Survey.compute(job(List.of(setup(0, 1, level("X", Math.toRadians(45))))));
        assertThat(result.measured().mark("X").flatMap(MeasuredMark::position)).isEmpty();
        Finding asked = result.findings().stream()
                .filter(f -> f.code() == FindingCode.ONE_SIGHT_MORE)
                .findFirst()
                .orElseThrow();
        assertThat(asked.text()).contains("X needs one more sight").contains("Best from");
    }

    private static List<Reading> distance(String target, double length) {
        // Read on a circle that holds no backsight: there is no direction.
        Reading alone = Jobs.reading(target, Role.DETAIL, 2, Face.LEFT, "0-00-00", "90-00-00", length);
        return List.of(alone);
    }

    @Test
    void twoDistancesLeaveTwoPlacesUntilADirectionTells() {
        // By hand: X 60 m north and 80 m east of A, 100 m away; from B √(40² + 80²); its mirror image lies west of A-B.
        List<Setup> setups = new ArrayList<>(List.of(
                setup(0, 1, distance("X", 100)), setup(1, 0, distance("X", Math.hypot(40, 80)))));
        SurveyResult open = Survey.compute(job(setups));
        assertThat(open.measured().mark("X").flatMap(MeasuredMark::position)).isEmpty();
        assertThat(codes(open, "X")).contains("two-places");
        setups.add(setup(3, 0, level("X", Math.atan2(180, 160))));
        Position at = at(Survey.compute(job(setups)), "X");
        assertThat(at.northing()).isCloseTo(1060, within(1e-4));
        assertThat(at.easting()).isCloseTo(5080, within(1e-4));
    }

    @Test
    void narrowLinesAreSaid() {
        SurveyResult result = Survey.compute(job(List.of(
                setup(0, 1, level("X", azimuth(0, 1400, 5100))), setup(1, 0, level("X", azimuth(1, 1400, 5100))))));
        assertThat(codes(result, "X")).contains("weak-intersection");
    }

    @Test
    void aLaterPolarFixIsACheckAndWhatWasBuiltOnStays() {
        double north = 1060;
        double east = 5080;
        List<Reading> polar = pair(
                "X",
                Role.FORESIGHT,
                1,
                circle(azimuth(2, north, east) + 40 * Angles.SECOND),
                circle(azimuth(2, north, east) + Math.PI + 40 * Angles.SECOND),
                Math.hypot(60, 120));
        SurveyResult result = Survey.compute(job(List.of(
                setup(0, 1, level("X", azimuth(0, north, east))),
                setup(1, 0, level("X", azimuth(1, north, east))),
                setup(2, 0, polar))));
        assertThat(at(result, "X").northing()).isCloseTo(north, within(1e-4));
        assertThat(result.measured().checks()).hasSize(1);
        assertThat(result.measured().checks().get(0).plan().getAsDouble())
                .isCloseTo(Math.hypot(60, 120) * 40 * Angles.SECOND, within(1e-4));
    }

    /** Directions of seeded noise from all four marks and a distance from one, at a place. */
    private static Job several(Instrument instrument, Reflector reflector, double[] noise) {
        List<Setup> setups = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            List<Reading> readings = new ArrayList<>(level("X", azimuth(i, 1040, 5070) + noise[i]));
            setups.add(setup(i, i == 0 ? 1 : 0, readings));
        }
        setups.add(new Setup(
                "SD2",
                "D",
                Setup.Method.OCCUPIED,
                "I1",
                setups.get(3).instrumentHeight(),
                setups.get(3).tilt(),
                Optional.empty(),
                new Setup.BySights(List.of("A")),
                all(setups.get(3).readings().subList(0, 2), distance("X", Math.hypot(140, 170) + noise[4]))));
        Job job = job(setups);
        return job.withInstrument(instrument).withReflector("R1", r -> reflector);
    }

    @Test
    void fiveSightsAreWeightedLeastSquaresAndTheirDeviationIsPropagated() {
        Instrument instrument = new Instrument(
                "I1",
                2 * Angles.SECOND,
                2 * Angles.SECOND,
                0.003,
                0,
                0,
                0,
                OptionalDouble.empty(),
                Jobs.INSTRUMENT.reference(),
                Optional.empty());
        Reflector reflector = new Reflector("R1", 0, 0.001, 0, Optional.empty());
        double[] noise = {8e-6, -5e-6, 1.1e-5, -9e-6, 0.002};
        SurveyResult result = Survey.compute(several(instrument, reflector, noise));
        Position at = at(result, "X");
        // Source: Hipparchus' Levenberg-Marquardt on a model of its own, weighed as the practice (6) says.
        MultivariateJacobianFunction model = point -> {
            double[] values = new double[5];
            double[][] jacobian = new double[5][2];
            for (int i = 0; i < 5; i++) {
                int from = Math.min(i, 3);
                double n = point.getEntry(0) - CONTROL[from][0];
                double e = point.getEntry(1) - CONTROL[from][1];
                double squared = n * n + e * e;
                values[i] = i < 4 ? Math.atan2(e, n) : Math.sqrt(squared);
                jacobian[i] = i < 4
                        ? new double[] {-e / squared, n / squared}
                        : new double[] {n / Math.sqrt(squared), e / Math.sqrt(squared)};
            }
            return new Pair<>(new ArrayRealVector(values), (RealMatrix) new Array2DRowRealMatrix(jacobian));
        };
        double[] target = new double[5];
        double[] weights = new double[5];
        for (int i = 0; i < 4; i++) {
            double length = Math.hypot(1040 - CONTROL[i][0], 5070 - CONTROL[i][1]);
            target[i] = azimuth(i, 1040, 5070) + noise[i];
            weights[i] = 1 / (Math.pow(2 * Angles.SECOND, 2) + 1e-6 / (length * length));
        }
        target[4] = Math.hypot(140, 170) + noise[4];
        weights[4] = 1 / (9e-6 + 1e-6);
        LeastSquaresOptimizer.Optimum optimum = new LevenbergMarquardtOptimizer()
                .optimize(new LeastSquaresBuilder()
                        .start(new double[] {1041, 5069})
                        .model(model)
                        .target(target)
                        .weight(new DiagonalMatrix(weights))
                        .maxEvaluations(100)
                        .maxIterations(100)
                        .build());
        assertThat(at.northing()).isCloseTo(optimum.getPoint().getEntry(0), within(1e-6));
        assertThat(at.easting()).isCloseTo(optimum.getPoint().getEntry(1), within(1e-6));
        // Each reading moved by itself, the whole job computed again: backsights turn all their setup, 2" and 1 mm
        // each.
        double[] variance = new double[2];
        for (int i = 0; i < 5; i++) {
            int from = Math.min(i, 3);
            int back = from == 0 ? 1 : 0;
            double length = Math.hypot(1040 - CONTROL[from][0], 5070 - CONTROL[from][1]);
            double base = Math.hypot(CONTROL[back][0] - CONTROL[from][0], CONTROL[back][1] - CONTROL[from][1]);
            double sigma = i < 4
                    ? Math.sqrt(2 * Math.pow(2 * Angles.SECOND, 2) + 1e-6 / (length * length) + 1e-6 / (base * base))
                    : Math.sqrt(1e-5);
            double[] moved = noise.clone();
            double step = i < 4 ? 1e-6 : 1e-4;
            moved[i] += step;
            Position there = at(Survey.compute(several(instrument, reflector, moved)), "X");
            variance[0] += Math.pow((there.northing() - at.northing()) / step * sigma, 2);
            variance[1] += Math.pow((there.easting() - at.easting()) / step * sigma, 2);
        }
        assertThat(Math.sqrt(at.plan().nn())).isCloseTo(Math.sqrt(variance[0]), within(2e-6));
        assertThat(Math.sqrt(at.plan().ee())).isCloseTo(Math.sqrt(variance[1]), within(2e-6));
    }
}
