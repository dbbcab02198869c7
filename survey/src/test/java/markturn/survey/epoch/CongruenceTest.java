package markturn.survey.epoch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import markturn.survey.chance.Distributions;
import markturn.survey.network.FreeFigure;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.linear.SingularValueDecomposition;
import org.junit.jupiter.api.Test;

/** The test of a reference among itself, and of a mark against it. */
class CongruenceTest {
    private static FreeFigure levels(double... values) {
        List<String> marks =
                IntStream.range(0, values.length).mapToObj(i -> "B" + i).toList();
        double[][] covariance = new double[values.length][values.length];
        for (int i = 0; i < values.length; i++) {
            covariance[i][i] = 1e-6;
        }
        return new FreeFigure(marks, 1, values, covariance);
    }

    /** Independent levels of one variance: the sum of squares about the mean over that variance, n − 1 degrees. A textbook identity, from memory. */
    @Test
    void levelsOfOneVarianceAreTestedAboutTheirMean() {
        FreeFigure one = levels(10, 11, 12, 13);
        FreeFigure other = levels(10.001, 11.003, 12.002, 13.006);
        List<String> all = one.marks();
        Congruence test =
                Displacements.between(one, other, all).orElseThrow().onto(all).congruence(all);
        // Shifts 1, 3, 2, 6 mm: about their mean of 3 mm 4 + 0 + 1 + 9 = 14 mm², each shift of a variance of 2 mm².
        assertThat(test.statistic()).isCloseTo(7, within(1e-6));
        assertThat(test.degrees()).isEqualTo(3);
        // Without the last the rest is 1, 3, 2 mm: 2 mm² about their mean.
        assertThat(test.suspect()).isEqualTo("B3");
        assertThat(test.shares()[3]).isCloseTo(7 - 1, within(1e-6));
    }

    private static FreeFigure figure(Random random, int marks) {
        double[] values = new double[2 * marks];
        RealMatrix half = MatrixUtils.createRealMatrix(2 * marks, 2 * marks);
        for (int i = 0; i < values.length; i++) {
            values[i] = 100 * random.nextDouble() * (1 + i % 5);
            for (int j = 0; j < values.length; j++) {
                half.setEntry(i, j, 1e-3 * random.nextGaussian());
            }
        }
        return new FreeFigure(
                IntStream.range(0, marks).mapToObj(i -> "P" + i).toList(),
                2,
                values,
                half.multiply(half.transpose()).getData());
    }

    private static FreeFigure moved(Random random, FreeFigure figure) {
        double[] values = figure.values().clone();
        for (int i = 0; i < values.length; i++) {
            values[i] += 2e-3 * random.nextGaussian();
        }
        return new FreeFigure(
                figure.marks(), 2, values, figure(random, figure.marks().size()).covariance());
    }

    /** Source: Hipparchus' singular value decomposition gives the pseudo-inverse that {@code dᵀ Q⁺ d} asks for. */
    @Test
    void thePseudoInverseIsThatOfAGeneralLibrary() {
        Random random = new Random(5);
        for (int trial = 0; trial < 20; trial++) {
            FreeFigure one = figure(random, 6);
            FreeFigure other = moved(random, one);
            List<String> reference = one.marks().subList(0, 4);
            Displacements laid =
                    Displacements.between(one, other, reference).orElseThrow().onto(reference);
            RealMatrix q = MatrixUtils.createRealMatrix(8, 8);
            RealVector d = MatrixUtils.createRealVector(8);
            for (int i = 0; i < 4; i++) {
                d.setSubVector(2 * i, MatrixUtils.createRealVector(laid.shift("P" + i)));
                for (int j = 0; j < 4; j++) {
                    q.setSubMatrix(laid.covariance("P" + i, "P" + j), 2 * i, 2 * j);
                }
            }
            double general = d.dotProduct(pseudoInverse(q, 5).operate(d));
            Congruence test = laid.congruence(reference);
            assertThat(test.degrees()).isEqualTo(5);
            assertThat(test.statistic()).isCloseTo(general, within(1e-6 * general));
            // What a mark's share says is what letting it go does.
            List<String> three = reference.subList(0, 3);
            double without = Displacements.between(one, other, reference)
                    .orElseThrow()
                    .onto(three)
                    .congruence(three)
                    .statistic();
            assertThat(test.shares()[3]).isCloseTo(test.statistic() - without, within(1e-6 * general));
        }
    }

    private static RealMatrix pseudoInverse(RealMatrix q, int rank) {
        SingularValueDecomposition svd = new SingularValueDecomposition(q);
        RealMatrix inverse = MatrixUtils.createRealMatrix(q.getRowDimension(), q.getRowDimension());
        for (int i = 0; i < rank; i++) {
            RealVector v = svd.getV().getColumnVector(i);
            RealVector u = svd.getU().getColumnVector(i);
            inverse = inverse.add(v.outerProduct(u).scalarMultiply(1 / svd.getSingularValues()[i]));
        }
        return inverse;
    }

    /** Whatever the datum of each figure was, the marks lie to each other as they lie. */
    @Test
    void theDatumOfAFigureDoesNotCount() {
        Random random = new Random(7);
        FreeFigure one = figure(random, 5);
        FreeFigure other = moved(random, one);
        double turn = 0.3;
        double[] turned = new double[10];
        for (int i = 0; i < 5; i++) {
            double north = other.values()[2 * i];
            double east = other.values()[2 * i + 1];
            turned[2 * i] = 500 + Math.cos(turn) * north - Math.sin(turn) * east;
            turned[2 * i + 1] = -90 + Math.sin(turn) * north + Math.cos(turn) * east;
        }
        RealMatrix by = MatrixUtils.createRealIdentityMatrix(10);
        for (int i = 0; i < 5; i++) {
            by.setSubMatrix(
                    new double[][] {{Math.cos(turn), -Math.sin(turn)}, {Math.sin(turn), Math.cos(turn)}}, 2 * i, 2 * i);
        }
        RealMatrix covariance =
                by.multiply(MatrixUtils.createRealMatrix(other.covariance())).multiply(by.transpose());
        List<String> reference = List.of("P0", "P1", "P2");
        Displacements straight =
                Displacements.between(one, other, reference).orElseThrow().onto(reference);
        Displacements elsewhere = Displacements.between(
                        one, new FreeFigure(one.marks(), 2, turned, covariance.getData()), reference)
                .orElseThrow()
                .onto(reference);
        for (String mark : one.marks()) {
            assertThat(elsewhere.shift(mark)).containsExactly(straight.shift(mark), within(1e-9));
            assertThat(elsewhere.covariance(mark)[0]).containsExactly(straight.covariance(mark)[0], within(1e-12));
        }
    }

    /** Baarda's 4.13 for one degree of freedom, one in a thousand and four times in five; his nomogram, from memory. */
    @Test
    void whatWouldHaveShown() {
        assertThat(Math.sqrt(Distributions.noncentrality(1, 0.001, 0.8))).isCloseTo(4.13, within(0.005));
        // Drawn at random, two degrees: as often beyond the limit as asked for.
        double away = Math.sqrt(Distributions.noncentrality(2, 0.01, 0.8));
        double limit = Distributions.chiSquare(2, 0.01);
        Random random = new Random(3);
        int beyond = 0;
        for (int i = 0; i < 100_000; i++) {
            double x = random.nextGaussian() + away;
            double y = random.nextGaussian();
            beyond += x * x + y * y > limit ? 1 : 0;
        }
        assertThat(beyond / 100_000.0).isCloseTo(0.8, within(0.005));
    }
}
