package markturn.survey.reduce;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.result.SetAbstract;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;

class ReductionTest {
    private static SetAbstract sets(Job job, String target) {
        return Survey.compute(job).measured().setup("S1").sets(target).orElseThrow();
    }

    @Test
    void twoFacesCancelAnyCollimationAnywhereOnTheCircle() {
        // A property; source: textbook theory of the two faces.
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            double direction = random.nextDouble() * Angles.TURN;
            double c = (random.nextDouble() - 0.5) * 0.1;
            double left = Angles.onCircle(direction + c);
            double right = Angles.onCircle(direction + Math.PI - c);
            assertThat(Angles.shortWay(Faces.direction(left, right) - direction))
                    .isCloseTo(0, within(1e-14));
            assertThat(Faces.collimation(left, right)).isCloseTo(c, within(1e-14));
        }
    }

    @Test
    void zenithAndIndexOfAPair() {
        // Source: textbook pair, zL 88°10'20", zR 271°49'50": z = 88°10'15", i = +5".
        double left = AngleUnit.DMS.read("88-10-20");
        double right = AngleUnit.DMS.read("271-49-50");
        assertThat(AngleUnit.DMS.write(Faces.zenith(left, right), 1)).isEqualTo("88-10-15.0");
        assertThat(Faces.index(left, right) / Angles.SECOND).isCloseTo(5, within(1e-9));
    }

    @Test
    void aSetStartedAnywhereOnTheCircleGivesTheSameAngle() {
        Random random = new Random(5);
        for (int i = 0; i < 50; i++) {
            long start = random.nextInt(1296000);
            List<Reading> readings = all(
                    pair("B", Role.BACKSIGHT, 1, at(start), at(start + 648010), 100),
                    pair("T1", Role.FORESIGHT, 1, at(start + 300000), at(start + 948008), 50));
            double direction = sets(Jobs.with(readings), "T1").direction().getAsDouble();
            assertThat(direction / Angles.SECOND).isCloseTo(299999, within(1e-6));
        }
    }

    private static String at(long seconds) {
        long s = Math.floorMod(seconds, 1296000L);
        return "%d-%02d-%02d".formatted(s / 3600, s / 60 % 60, s % 60);
    }

    @Test
    void residualsOfThreeTargetsAreThoseOfLeastSquares() {
        // Source: direction observations adjusted by a general-purpose solver (Hipparchus QR): unknowns are the
        // targets' directions and
        // one orientation for each set; the classical reduction must leave the same residuals.
        long[][] seconds = {{0, 180000, 431999}, {3600, 183606, 435595}, {7, 180001, 432011}, {14, 180019, 432008}};
        String[] targets = {"B", "T1", "T2"};
        List<Reading> readings = new java.util.ArrayList<>();
        for (int set = 1; set <= seconds.length; set++) {
            for (int t = 0; t < 3; t++) {
                Role role = t == 0 ? Role.BACKSIGHT : Role.FORESIGHT;
                long left = seconds[set - 1][t];
                readings.addAll(pair(targets[t], role, set, at(left), at(left + 648000), 100));
            }
        }
        Array2DRowRealMatrix design = new Array2DRowRealMatrix(12, 6);
        RealVector observed = new ArrayRealVector(12);
        for (int set = 0; set < 4; set++) {
            for (int t = 0; t < 3; t++) {
                int row = set * 3 + t;
                observed.setEntry(row, seconds[set][t]);
                design.setEntry(row, 2 + set, 1);
                if (t > 0) {
                    design.setEntry(row, t - 1, 1);
                }
            }
        }
        RealVector adjusted =
                design.operate(new QRDecomposition(design).getSolver().solve(observed));
        Job job = Jobs.with(readings);
        for (int t = 0; t < 3; t++) {
            SetAbstract sets = sets(job, targets[t]);
            double squares = 0;
            for (int set = 0; set < 4; set++) {
                double expected = adjusted.getEntry(set * 3 + t) - observed.getEntry(set * 3 + t);
                assertThat(sets.residuals().get(set).getAsDouble() / Angles.SECOND)
                        .isCloseTo(expected, within(1e-6));
                squares += expected * expected;
            }
            assertThat(sets.stdDev().getAsDouble() / Angles.SECOND).isCloseTo(Math.sqrt(squares / 3), within(1e-6));
            assertThat(sets.stdDevMean().getAsDouble()).isCloseTo(sets.stdDev().getAsDouble() / 2, within(1e-12));
        }
    }

    @Test
    void repeatedPointingsAreMeanedOnTheirFaceFirst() {
        // Two pointings left (10", 20"), one right (30"): mean of faces (15 + 30)/2, not of three readings. Source: the
        // format's rule 1.
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                List.of(
                        reading("T1", Role.FORESIGHT, 1, Face.LEFT, "50-00-10", "90-00-00", 50),
                        reading("T1", Role.FORESIGHT, 1, Face.LEFT, "50-00-20", "90-00-00", 50),
                        reading("T1", Role.FORESIGHT, 1, Face.RIGHT, "230-00-30", "270-00-00", 50)));
        assertThat(AngleUnit.DMS.write(
                        sets(Jobs.with(readings), "T1").direction().getAsDouble(), 2))
                .isEqualTo("50-00-22.50");
    }

    @Test
    void setsWithoutTheZeroSightDoNotCountAndListsRunBySetNumber() {
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "50-00-10", "230-00-10", 50),
                pair("T1", Role.FORESIGHT, 2, "77-00-00", "257-00-00", 50.002),
                pair("B", Role.BACKSIGHT, 3, "90-00-00", "270-00-00", 100),
                pair("T1", Role.FORESIGHT, 3, "140-00-14", "320-00-14", 50.004));
        SetAbstract sets = sets(Jobs.with(readings), "T1");
        assertThat(sets.sets()).isEqualTo(2);
        assertThat(sets.residuals().get(1)).isEmpty();
        assertThat(AngleUnit.DMS.write(sets.direction().getAsDouble(), 1)).isEqualTo("50-00-12.0");
        // Distances need no zero: all three sets count.
        assertThat(sets.slope().getAsDouble()).isCloseTo(50.002, within(1e-12));
    }

    @Test
    void struckReadingsStayOutOfTheSums() {
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                List.of(reading("T1", Role.FORESIGHT, 1, Face.LEFT, "99-00-00", "90-00-00", 50)
                        .struckOut("wrong target")),
                pair("T1", Role.FORESIGHT, 1, "50-00-10", "230-00-10", 50));
        assertThat(AngleUnit.DMS.write(
                        sets(Jobs.with(readings), "T1").direction().getAsDouble(), 1))
                .isEqualTo("50-00-10.0");
    }

    @Test
    void refractivityFollowsTheResolution() {
        // Source: IAG Resolution 3 (1999). The group refractivity of standard air at 0.85 µm is 294.5 and at 0.6328 µm
        // 300.2 (from memory).
        assertThat(Air.standardRefractivity(0.85)).isCloseTo(294.5, within(0.05));
        assertThat(Air.standardRefractivity(0.6328)).isCloseTo(300.24, within(0.05));
        // At 0 °C, 1013.25 hPa, dry, air is the standard air of the resolution.
        assertThat(Air.refractivity(0.66, new Atmosphere(0, 1013.25, 0)))
                .isCloseTo(Air.standardRefractivity(0.66), within(1e-9));
        // Rules of thumb: 1 °C or 3.5 hPa is about 1 ppm. Common practice, no source.
        double usual = Air.refractivity(0.66, Atmosphere.USUAL_REFERENCE);
        assertThat(usual - Air.refractivity(0.66, new Atmosphere(16, 1013.25, 0)))
                .isCloseTo(1, within(0.1));
        assertThat(usual - Air.refractivity(0.66, new Atmosphere(15, 1009.75, 0)))
                .isCloseTo(1, within(0.1));
    }

    @Test
    void whatTheInstrumentAppliedIsTakenOutAndWhatBelongsIsPutIn() {
        // Source: definition S' = S + (K − K_set) + S·(ppm − ppm_set)·1e-6. The prism's −30 mm left on without
        // reflector is 30 mm short.
        Reading plain = reading("301", Role.DETAIL, 0, Face.LEFT, "10-00-00", "90-00-00", 50);
        Reading left = plain.withReflector("none")
                .withApplied(new Reading.Applied(OptionalDouble.of(-0.03), OptionalDouble.of(5)));
        Job job = Jobs.with(List.of(left));
        assertThat(Distances.corrected(job, job.setups().get(0), left).getAsDouble())
                .isCloseTo(50.03, within(1e-12));
        assertThat(Distances.corrected(job, job.setups().get(0), plain).getAsDouble())
                .isEqualTo(50);
    }

    @Test
    void slopeReductionAgreesWithTheExactCurvedGeometry() {
        // Source: exact geometry on a sphere. Layers of air bend the line of sight by k sin z/R, so its chord leaves
        // steeper by
        // S k sin z/(2R); the end point's height over the sphere and its arc distance at the instrument's level are
        // then exact.
        // Bounds: 0.05 mm at 2 km is promised (0.052 was found at 86 degrees), 1 mm at 5 km.
        double radius = Earth.USUAL.radius();
        double k = Earth.USUAL.refraction();
        for (double slope : new double[] {50, 500, 2000, 5000}) {
            for (double degrees : new double[] {84, 86, 90, 93, 96}) {
                double zenith = Math.toRadians(degrees);
                double chordZenith = zenith + slope * k * Math.sin(zenith) / (2 * radius);
                double across = slope * Math.sin(chordZenith);
                double up = slope * Math.cos(chordZenith);
                double rise = Math.hypot(across, radius + up) - radius;
                double horizontal = radius * Math.atan2(across, radius + up);
                Slope reduced = Slope.reduce(slope, zenith, Earth.USUAL);
                double bound = slope <= 2000 ? 0.00006 : 0.001;
                assertThat(reduced.horizontal())
                        .as("distance %s at %s", slope, degrees)
                        .isCloseTo(horizontal, within(bound));
                assertThat(reduced.rise()).as("rise %s at %s", slope, degrees).isCloseTo(rise, within(bound));
            }
        }
    }

    @Test
    void curvatureAndRefractionAreSevenCentimetresAtAKilometre() {
        // Source: textbook figure, combined curvature and refraction 0.0675 m at 1 km for k = 0.14 (0.0683 m for k =
        // 0.13). From memory.
        assertThat(Slope.reduce(1000, Math.PI / 2, Earth.USUAL).rise()).isCloseTo(0.0683, within(0.0001));
        assertThat(Slope.reduce(1000, Math.PI / 2, new Earth(6371000, 0.13, false, 1))
                        .rise())
                .isCloseTo(0, within(1e-12));
    }

    @Test
    void feetAreWhatTheirLawsSay() {
        // Sources: international yard and pound agreement 1959, 0.3048 m; Mendenhall order 1893, 1200/3937 m; they
        // differ by 2 ppm.
        assertThat(LengthUnit.FOOT.metres()).isEqualTo(0.3048);
        assertThat(LengthUnit.US_SURVEY_FOOT.metres() * 3937).isEqualTo(1200);
        assertThat(LengthUnit.US_SURVEY_FOOT.metres() / LengthUnit.FOOT.metres() - 1)
                .isCloseTo(2e-6, within(1e-11));
    }

    @Test
    void aHeightTapedToTheNotchIsBroughtToTheAxis() {
        // Source: Pythagoras; 3-4-5: slope 0.5 at radius 0.3 is 0.4 vertical, and the notch 0.1 below the axis.
        assertThat(new Notch(0.3, 0.1).vertical(0.5)).isCloseTo(0.5, within(1e-12));
        assertThatThrownBy(() -> new Notch(0.3, 0.1).vertical(0.3)).isInstanceOf(IllegalArgumentException.class);
    }
}
