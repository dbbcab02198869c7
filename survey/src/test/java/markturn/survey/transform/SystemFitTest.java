package markturn.survey.transform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.job.Mark;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;

/** Two systems fitted onto each other. Source: Hipparchus' QR decomposition on design matrices of the textbook; exact figures by hand. */
class SystemFitTest {
    private static Mark.Coordinates at(double north, double east, double up) {
        return new Mark.Coordinates(north, east, OptionalDouble.of(up));
    }

    private static final double[][] PLACES = {{0, 0}, {800, 100}, {650, 900}, {-120, 760}, {300, 420}};

    /** Turned by 0.3 rad clockwise, scaled, shifted, elevations shifted and tilted, with noise. */
    private static List<InBoth> marks(double scale, double noise, long seed) {
        Random random = new Random(seed);
        List<InBoth> marks = new ArrayList<>();
        for (int i = 0; i < PLACES.length; i++) {
            double n = PLACES[i][0];
            double e = PLACES[i][1];
            marks.add(new InBoth(
                    "M" + i,
                    at(n, e, 10 + i),
                    at(
                            5000 + scale * (n * Math.cos(0.3) - e * Math.sin(0.3)) + noise * random.nextGaussian(),
                            9000 + scale * (n * Math.sin(0.3) + e * Math.cos(0.3)) + noise * random.nextGaussian(),
                            47 + i + 2e-5 * n - 1e-5 * e)));
        }
        return marks;
    }

    @Test
    void whatWasTurnedScaledShiftedAndTiltedIsFoundExactly() {
        SystemFit fit =
                SystemFit.of(SystemFit.Kind.SCALE_FREE, marks(1.00003, 0, 1)).orElseThrow();
        assertThat(fit.scale()).isCloseTo(1.00003, within(1e-12));
        assertThat(fit.turn()).isCloseTo(0.3, within(1e-12));
        Mark.Coordinates moved = fit.apply(at(100, 200, 12));
        assertThat(moved.northing())
                .isCloseTo(5000 + 1.00003 * (100 * Math.cos(0.3) - 200 * Math.sin(0.3)), within(1e-8));
        assertThat(moved.elevation().getAsDouble()).isCloseTo(49 + 2e-3 - 2e-3, within(1e-9));
        assertThat(fit.stdDev().getAsDouble()).isLessThan(1e-9);
    }

    // From memory: C. D. Ghilani and P. R. Wolf, Adjustment Computations, two-dimensional conformal transformation of
    // photo to ground.
    @Test
    void theTextbooksPhotoComesDownOnItsGround() {
        SystemFit fit = SystemFit.of(
                        SystemFit.Kind.SCALE_FREE,
                        List.of(
                                new InBoth("A", at(-128.066, 121.622, 0), at(51089.20, 1049422.40, 0)),
                                new InBoth("B", at(187.718, 141.228, 0), at(49659.30, 1049413.95, 0)),
                                new InBoth("C", at(135.728, 175.802, 0), at(49884.95, 1049244.95, 0))))
                .orElseThrow();
        assertThat(fit.scale()).isCloseTo(4.51962, within(5e-6));
        double rotation = 183 + 13 / 60.0 + 5 / 3600.0;
        assertThat(Math.toDegrees(fit.turn())).isCloseTo(360 - rotation, within(0.1 / 3600));
        Mark.Coordinates origin = fit.apply(at(0, 0, 0));
        assertThat(origin.easting()).isCloseTo(1050003.715, within(5e-4));
        assertThat(origin.northing()).isCloseTo(50542.131, within(5e-4));
        double[][] computedLessGround = {{-0.029, 0.004}, {-0.077, 0.101}, {0.106, -0.105}};
        for (int i = 0; i < 3; i++) {
            assertThat(-fit.residuals().get(i).north()).isCloseTo(computedLessGround[i][0], within(6e-4));
            assertThat(-fit.residuals().get(i).east()).isCloseTo(computedLessGround[i][1], within(6e-4));
        }
    }

    @Test
    void itIsLeastSquares() {
        List<InBoth> marks = marks(1.00002, 0.02, 7);
        double[][] design = new double[10][];
        double[][] affine = new double[10][];
        double[] right = new double[10];
        for (int i = 0; i < 5; i++) {
            double n = PLACES[i][0];
            double e = PLACES[i][1];
            design[2 * i] = new double[] {n, -e, 1, 0};
            design[2 * i + 1] = new double[] {e, n, 0, 1};
            affine[2 * i] = new double[] {n, e, 0, 0, 1, 0};
            affine[2 * i + 1] = new double[] {0, 0, n, e, 0, 1};
            right[2 * i] = marks.get(i).to().northing();
            right[2 * i + 1] = marks.get(i).to().easting();
        }
        compare(SystemFit.Kind.SCALE_FREE, marks, design, right);
        compare(SystemFit.Kind.AFFINE, marks, affine, right);
    }

    private static void compare(SystemFit.Kind kind, List<InBoth> marks, double[][] design, double[] right) {
        Array2DRowRealMatrix matrix = new Array2DRowRealMatrix(design);
        RealVector solved = new QRDecomposition(matrix).getSolver().solve(new ArrayRealVector(right));
        RealVector left = new ArrayRealVector(right).subtract(matrix.operate(solved));
        SystemFit fit = SystemFit.of(kind, marks).orElseThrow();
        for (int i = 0; i < 5; i++) {
            assertThat(fit.residuals().get(i).north()).isCloseTo(left.getEntry(2 * i), within(1e-8));
            assertThat(fit.residuals().get(i).east()).isCloseTo(left.getEntry(2 * i + 1), within(1e-8));
        }
        assertThat(fit.redundancy()).isEqualTo(10 - design[0].length);
        assertThat(fit.stdDev().getAsDouble())
                .isCloseTo(left.getNorm() / Math.sqrt(10 - design[0].length), within(1e-9));
    }

    @Test
    void aHeldScaleTurnsOnlyAndLeavesTheScaleInTheResiduals() {
        SystemFit held =
                SystemFit.of(SystemFit.Kind.SCALE_HELD, marks(1.0001, 0, 1)).orElseThrow();
        assertThat(held.scale()).isCloseTo(1, within(1e-12));
        assertThat(held.turn()).isCloseTo(0.3, within(1e-12));
        // 100 ppm from the middle of the marks, 400 to 600 m away.
        assertThat(held.residuals().get(0).plan()).isBetween(0.04, 0.06);
        SystemFit free =
                SystemFit.of(SystemFit.Kind.SCALE_FREE, marks(1.0001, 0, 1)).orElseThrow();
        assertThat(held.apartFrom(free, List.of(at(3000, 0, 0)))).isBetween(0.2, 0.3);
    }

    @Test
    void theMarkThatDisagreesIsNamed() {
        List<InBoth> marks = new ArrayList<>(marks(1, 0.003, 3));
        InBoth wrong = marks.get(2);
        marks.set(
                2,
                new InBoth(
                        "M2",
                        wrong.from(),
                        at(wrong.to().northing() + 0.2, wrong.to().easting(), 0)));
        assertThat(SystemFit.of(SystemFit.Kind.SCALE_FREE, marks).orElseThrow().disagrees())
                .hasValue("M2");
        assertThat(SystemFit.of(SystemFit.Kind.SCALE_FREE, marks(1, 0.003, 3))
                        .orElseThrow()
                        .disagrees())
                .isEmpty();
        assertThat(SystemFit.of(SystemFit.Kind.AFFINE, marks.subList(0, 2))).isEmpty();
    }
}
