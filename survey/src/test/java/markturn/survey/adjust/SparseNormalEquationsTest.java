package markturn.survey.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;

/** The sparse factor, its solutions and its part of the inverse, beside a general-purpose library's dense Cholesky (Hipparchus). */
class SparseNormalEquationsTest {
    /** Stations strewn over a square, each sighting its nearest ones; two are held. */
    static final class Strewn {
        final double[][] places;
        final List<Observed> observations = new ArrayList<>();
        final double[] near;
        private final int[] nodeOf;

        Strewn(int stations, int sights, long seed) {
            Random random = new Random(seed);
            places = new double[stations][];
            near = new double[3 * stations];
            nodeOf = new int[3 * stations];
            for (int i = 0; i < stations; i++) {
                places[i] = new double[] {1000 * random.nextDouble(), 1000 * random.nextDouble()};
                System.arraycopy(places[i], 0, near, 3 * i, 2);
                near[3 * i + 2] = 6 * random.nextDouble();
                nodeOf[3 * i] = i;
                nodeOf[3 * i + 1] = i;
                nodeOf[3 * i + 2] = i;
            }
            for (int i = 0; i < stations; i++) {
                int from = i;
                List<Integer> nearest = IntStream.range(0, stations)
                        .filter(j -> j != from)
                        .boxed()
                        .sorted(Comparator.comparingDouble(
                                j -> Math.hypot(places[j][0] - places[from][0], places[j][1] - places[from][1])))
                        .limit(sights)
                        .toList();
                for (int to : nearest) {
                    NumberedPlace one = NumberedPlace.unknown(3 * from, 3 * from + 1);
                    NumberedPlace other = NumberedPlace.unknown(3 * to, 3 * to + 1);
                    Direction direction = new Direction(one, other, 3 * from + 2, 0, 1e-5);
                    observations.add(new Direction(
                            one,
                            other,
                            3 * from + 2,
                            direction.theoretical(near) + 1e-5 * random.nextGaussian(),
                            1e-5));
                    Distance distance = new Distance(one, other, NumberedPlace.HELD, NumberedPlace.HELD, 0, 0.002);
                    observations.add(new Distance(
                            one,
                            other,
                            NumberedPlace.HELD,
                            NumberedPlace.HELD,
                            distance.theoretical(near) + 0.002 * random.nextGaussian(),
                            0.002));
                }
            }
            for (int unknown = 0; unknown < 4; unknown++) {
                int number = unknown / 2 * 3 + unknown % 2;
                observations.add(new Coordinate(number, near[number], 0.001));
            }
        }

        Dissection dissection() {
            return Dissection.of(places, nodeOf, observations, near);
        }

        void fill(NormalEquations equations) {
            RowOfPartials row = new RowOfPartials();
            for (Observed observed : observations) {
                row.of(observed, near);
                double weight = 1 / (observed.stdDev() * observed.stdDev());
                equations.add(row.unknowns(), row.partials(), row.count(), weight, observed.misclosure(near));
            }
        }

        RealMatrix matrix() {
            RealMatrix matrix = new Array2DRowRealMatrix(near.length, near.length);
            RowOfPartials row = new RowOfPartials();
            for (Observed observed : observations) {
                row.of(observed, near);
                for (int i = 0; i < row.count(); i++) {
                    for (int j = 0; j < row.count(); j++) {
                        matrix.addToEntry(
                                row.unknowns()[i],
                                row.unknowns()[j],
                                row.partials()[i] * row.partials()[j] / (observed.stdDev() * observed.stdDev()));
                    }
                }
            }
            return matrix;
        }

        RealVector right() {
            RealVector right = new ArrayRealVector(near.length);
            RowOfPartials row = new RowOfPartials();
            for (Observed observed : observations) {
                row.of(observed, near);
                for (int i = 0; i < row.count(); i++) {
                    right.addToEntry(
                            row.unknowns()[i],
                            row.partials()[i] * observed.misclosure(near) / (observed.stdDev() * observed.stdDev()));
                }
            }
            return right;
        }
    }

    @Test
    void solvesAndInvertsAsADenseLibraryDoes() throws RankDefect {
        for (int stations : new int[] {1, 2, 7, 40, 150}) {
            Strewn strewn = new Strewn(Math.max(stations, 2), Math.min(6, Math.max(stations - 1, 1)), stations);
            SparseNormalEquations ours = new SparseNormalEquations(strewn.dissection());
            strewn.fill(ours);
            double[] solution = ours.solve();
            DecompositionSolver theirs = new CholeskyDecomposition(strewn.matrix(), 1e-9, 0).getSolver();
            double[] expected = theirs.solve(strewn.right()).toArray();
            RealMatrix inverse = theirs.getInverse();
            for (int i = 0; i < solution.length; i++) {
                assertThat(solution[i]).isCloseTo(expected[i], within(1e-10));
            }
            // Every element that an observation needs; those of marks far apart come column by column.
            RowOfPartials row = new RowOfPartials();
            for (Observed observed : strewn.observations) {
                row.of(observed, strewn.near);
                for (int i = 0; i < row.count(); i++) {
                    for (int j = 0; j < row.count(); j++) {
                        int one = row.unknowns()[i];
                        int other = row.unknowns()[j];
                        double most = Math.sqrt(inverse.getEntry(one, one) * inverse.getEntry(other, other));
                        assertThat(ours.cofactor(one, other))
                                .isCloseTo(inverse.getEntry(one, other), within(1e-8 * most));
                    }
                }
            }
            double[] unit = new double[solution.length];
            unit[solution.length - 1] = 1;
            double[] column = ours.inverseTimes(unit);
            for (int i = 0; i < column.length; i++) {
                double most =
                        Math.sqrt(inverse.getEntry(i, i) * inverse.getEntry(column.length - 1, column.length - 1));
                assertThat(column[i]).isCloseTo(inverse.getEntry(i, column.length - 1), within(1e-8 * most));
            }
        }
    }

    @Test
    void eachUnknownStandsOnceInTheOrderAndWhatMeetsLiesInOneFront() {
        Strewn strewn = new Strewn(300, 6, 5);
        Dissection dissection = strewn.dissection();
        assertThat(dissection.positions())
                .containsExactlyInAnyOrder(IntStream.range(0, 900).toArray());
        // Nested dissection of a plane figure leaves a separator of the order of the square root of its nodes (A.
        // George, 1973).
        int widest = dissection.parts().stream()
                .mapToInt(Dissection.Part::size)
                .max()
                .orElseThrow();
        assertThat(widest).isLessThan(3 * 6 * 17);
    }

    @Test
    void whatIsNotDeterminedIsSaid() {
        Strewn strewn = new Strewn(30, 5, 3);
        strewn.observations.removeIf(o -> o instanceof Coordinate);
        SparseNormalEquations floating = new SparseNormalEquations(strewn.dissection());
        strewn.fill(floating);
        assertThatThrownBy(floating::solve).isInstanceOf(RankDefect.class);
        SparseNormalEquations empty = new SparseNormalEquations(strewn.dissection());
        assertThatThrownBy(empty::solve).isInstanceOf(RankDefect.class);
    }

    @Test
    void twoFiguresSideBySideAreAdjustedTogether() throws RankDefect {
        List<Observed> observations = new ArrayList<>();
        double[] near = new double[40];
        int[] nodeOf = IntStream.range(0, 40).toArray();
        double[][] places = new double[40][];
        for (int i = 0; i < 40; i++) {
            places[i] = new double[] {i % 20, i / 20 * 100};
            if (i % 20 == 0) {
                observations.add(new Coordinate(i, 5, 1));
            } else {
                observations.add(new Difference(i - 1, i, 0, 0, 1, 1));
            }
        }
        SparseNormalEquations equations = new SparseNormalEquations(Dissection.of(places, nodeOf, observations, near));
        RowOfPartials row = new RowOfPartials();
        for (Observed observed : observations) {
            row.of(observed, near);
            equations.add(row.unknowns(), row.partials(), row.count(), 1, observed.misclosure(near));
        }
        double[] solution = equations.solve();
        // Twenty steps of one metre from 5: variances add up.
        assertThat(solution[19]).isCloseTo(24, within(1e-10));
        assertThat(solution[39]).isCloseTo(24, within(1e-10));
        assertThat(equations.cofactor(39, 39)).isCloseTo(20, within(1e-9));
    }
}
