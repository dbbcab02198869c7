package markturn.survey.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.junit.jupiter.api.Test;

/**
 * A two-dimensional network of a textbook: one station by distances from three. Source of the numbers given: C. D. Ghilani and P. R. Wolf,
 * Adjustment Computations, the first example of trilateration; from memory. That the three distances agree to a few hundredths of a foot
 * says that they are remembered right. Coordinates and standard deviations beside a general optimiser (Hipparchus).
 */
class PublishedNetworkTest {
    private static final double[][] CONTROL = {{4527.15, 865.40}, {2047.25, 2432.55}, {27.15, 2865.22}};
    private static final double[] DISTANCES = {6049.00, 4736.83, 5446.49};

    @Test
    void aStationByThreeDistancesComesOutAsInTheBook() throws Exception {
        List<Observed> observations = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            observations.add(new Distance(
                    NumberedPlace.held(CONTROL[i][0], CONTROL[i][1]),
                    NumberedPlace.unknown(0, 1),
                    NumberedPlace.HELD,
                    NumberedPlace.HELD,
                    DISTANCES[i],
                    1));
        }
        double[] near = {3700, 6800};
        Dissection dissection = Dissection.of(new double[][] {near}, new int[] {0, 0}, observations, near);
        Adjustment ours = LeastSquares.adjust(observations, near, () -> new SparseNormalEquations(dissection));
        LeastSquaresOptimizer.Optimum theirs = optimum();
        double factor = Math.sqrt(ours.squares() / ours.redundancy());
        assertThat(ours.redundancy()).isEqualTo(1);
        for (int axis = 0; axis < 2; axis++) {
            int i = axis;
            assertThat(ours.unknown(i)).isCloseTo(theirs.getPoint().getEntry(i), within(1e-6));
            double stdDev = Math.sqrt(theirs.getCovariances(1e-12).getEntry(i, i)) * theirs.getRMS() * Math.sqrt(3);
            assertThat(factor * Math.sqrt(ours.covariance(i, i))).isCloseTo(stdDev, within(1e-6));
        }
        // As printed, to the hundredth.
        assertThat(ours.unknown(0)).isCloseTo(3727.82, within(0.01));
        assertThat(ours.unknown(1)).isCloseTo(6861.32, within(0.01));
        assertThat(IntStream.range(0, 3).mapToDouble(ours::residual)).allMatch(v -> Math.abs(v) < 0.1);
    }

    private static LeastSquaresOptimizer.Optimum optimum() {
        return new LevenbergMarquardtOptimizer()
                .optimize(new LeastSquaresBuilder()
                        .start(new double[] {3700, 6800})
                        .target(DISTANCES)
                        .model(PublishedNetworkTest::model)
                        .maxEvaluations(100)
                        .maxIterations(100)
                        .build());
    }

    private static Pair<RealVector, RealMatrix> model(RealVector point) {
        double[] lengths = new double[3];
        double[][] partials = new double[3][2];
        for (int i = 0; i < 3; i++) {
            double north = point.getEntry(0) - CONTROL[i][0];
            double east = point.getEntry(1) - CONTROL[i][1];
            lengths[i] = Math.hypot(north, east);
            partials[i] = new double[] {north / lengths[i], east / lengths[i]};
        }
        return new Pair<>(new ArrayRealVector(lengths), new Array2DRowRealMatrix(partials));
    }
}
