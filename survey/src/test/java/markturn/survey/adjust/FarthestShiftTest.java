package markturn.survey.adjust;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The search for the fault that shifts a place farthest, beside trying every fault on every place. Source: the definition. */
class FarthestShiftTest {
    /** Faults of one observation in one way, of two observations of one sight in two. */
    private static List<RightSides> faults(SparseNormalEquationsTest.Strewn strewn, long seed) {
        Random random = new Random(seed);
        List<RightSides> faults = new ArrayList<>();
        for (int i = 0; i + 1 < strewn.observations.size(); i += 2) {
            RowOfPartials direction = new RowOfPartials();
            RowOfPartials distance = new RowOfPartials();
            direction.of(strewn.observations.get(i), strewn.near);
            distance.of(strewn.observations.get(i + 1), strewn.near);
            int[] touched = Arrays.copyOf(direction.unknowns(), direction.count());
            // Now and then one that hardly shows, and so shifts everything far off as well.
            double size = random.nextInt(50) == 0 ? 40 : 1 + random.nextDouble();
            double[] one = new double[touched.length];
            double[] other = new double[touched.length];
            for (int k = 0; k < touched.length; k++) {
                one[k] = size * direction.partials()[k] / 1e-5;
                for (int m = 0; m < distance.count(); m++) {
                    other[k] += distance.unknowns()[m] == touched[k] ? size * distance.partials()[m] / 0.002 : 0;
                }
            }
            faults.add(
                    new RightSides(touched, random.nextBoolean() ? new double[][] {one} : new double[][] {one, other}));
        }
        return faults;
    }

    private static double farthest(double[][] shifts, int first, int ways, int[] place) {
        double nn = 0;
        double ee = 0;
        double ne = 0;
        for (int way = 0; way < ways; way++) {
            double north = shifts[place[0]][first + way];
            double east = place.length < 2 ? 0 : shifts[place[1]][first + way];
            nn += north * north;
            ee += east * east;
            ne += north * east;
        }
        return Math.sqrt((nn + ee) / 2 + Math.hypot((nn - ee) / 2, ne));
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 12, 40, 150, 400})
    void findsWhatTryingEverythingFinds(int stations) throws RankDefect {
        for (int seed = 0; seed < (stations > 100 ? 2 : 10); seed++) {
            SparseNormalEquationsTest.Strewn strewn =
                    new SparseNormalEquationsTest.Strewn(stations, Math.min(6, stations - 1), seed);
            SparseNormalEquations equations = new SparseNormalEquations(strewn.dissection());
            strewn.fill(equations);
            equations.solve();
            int[][] places = new int[stations][];
            for (int i = 0; i < stations; i++) {
                places[i] = i % 7 == 0 ? new int[] {3 * i + 1} : new int[] {3 * i, 3 * i + 1};
            }
            List<RightSides> faults = faults(strewn, seed);
            // Every other time nothing is kept, as in a network of very many marks.
            FarthestShift search = new FarthestShift(equations, places, seed % 2 == 0 ? Long.MAX_VALUE : 0);
            for (int i = 0; i < faults.size(); i++) {
                assertThat(equations.standTogether(faults.get(i).unknowns())).isTrue();
                search.add(i, faults.get(i));
            }
            double[] told = new double[1];
            search.search(share -> {
                assertThat(share).isBetween(told[0], 1.0);
                told[0] = share;
            });
            assertThat(told[0]).isCloseTo(1, within(1e-12));
            double[] most = new double[stations];
            int[] by = new int[stations];
            for (int i = 0; i < faults.size(); i++) {
                RightSides fault = faults.get(i);
                int[][] touched = new int[fault.ways()][];
                Arrays.fill(touched, fault.unknowns());
                double[][] shifts = equations.inverseTimesEach(touched, fault.values(), strewn.near.length);
                for (int place = 0; place < stations; place++) {
                    double shift = farthest(shifts, 0, fault.ways(), places[place]);
                    if (shift > most[place]) {
                        most[place] = shift;
                        by[place] = i;
                    }
                }
            }
            for (int place = 0; place < stations; place++) {
                assertThat(search.shift(place)).isCloseTo(most[place], within(1e-9 * most[place]));
                assertThat(search.by(place)).isEqualTo(by[place]);
            }
        }
    }

    @Test
    void whatIsKnownAlreadyIsNotFoundAgain() throws RankDefect {
        SparseNormalEquationsTest.Strewn strewn = new SparseNormalEquationsTest.Strewn(40, 6, 1);
        SparseNormalEquations equations = new SparseNormalEquations(strewn.dissection());
        strewn.fill(equations);
        equations.solve();
        FarthestShift search = new FarthestShift(equations, new int[][] {{0, 1}, {3, 4}});
        List<RightSides> faults = faults(strewn, 1);
        for (int i = 0; i < faults.size(); i++) {
            search.add(i, faults.get(i));
        }
        search.add(faults.size(), new RightSides(new int[0], new double[1][0]));
        search.atLeast(0, 1e6);
        search.search(share -> {});
        assertThat(search.shift(0)).isEqualTo(1e6);
        assertThat(search.by(0)).isNegative();
        assertThat(search.by(1)).isNotNegative();
    }
}
