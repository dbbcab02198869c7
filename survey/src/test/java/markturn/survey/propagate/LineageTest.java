package markturn.survey.propagate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LineageTest {
    private static final double[] FACTORS = {1, 0, 0, 1};
    private static final double[] OWN = {1e-6, 0, 0, 1e-6};

    /** Each mark of a chain hangs on the two before it: 1.6 times as many ways down with each, ten to the forty with two hundred. */
    private static Lineage chain(int marks, double firstVariance) {
        List<Lineage> chain = new ArrayList<>();
        chain.add(Lineage.source("T0", 2, new double[] {firstVariance, 0, 0, 1e-6}));
        chain.add(Lineage.source("T1", 2, OWN));
        for (int i = 2; i < marks; i++) {
            chain.add(Lineage.of(
                    "T" + i,
                    2,
                    List.of(
                            new Lineage.Part(chain.get(i - 2), FACTORS.clone()),
                            new Lineage.Part(chain.get(i - 1), FACTORS.clone())),
                    OWN.clone()));
        }
        return chain.get(marks - 1);
    }

    // Counting; no source.
    @Test
    void comparingGrowsWithTheChainAndNotWithTheWaysThroughIt() {
        assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
            assertThat(chain(200, 1e-6)).isEqualTo(chain(200, 1e-6));
            assertThat(chain(200, 1e-6)).isNotEqualTo(chain(200, 2e-6));
        });
    }

    @Test
    void whatDiffersAnywhereIsNotTheSame() {
        Lineage chain = chain(12, 1e-6);
        assertThat(chain)
                .isEqualTo(chain(12, 1e-6))
                .hasSameHashCodeAs(chain(12, 1e-6))
                .isNotEqualTo(chain(12, 2e-6))
                .isNotEqualTo(chain(13, 1e-6))
                .isNotEqualTo(Lineage.HELD);
        // Found equal to one, it is still told from another.
        assertThat(chain(12, 1e-6)).isEqualTo(chain).isNotEqualTo(chain(12, 2e-6));
    }

    /**
     * A traverse that closes on nothing: marks on a wave, each from an instrument on the mark before, oriented on the one before that. The
     * derivatives are those of the polar fix and of the azimuth (textbook).
     */
    private static List<Lineage> openTraverse(int marks) {
        double[] north = new double[marks];
        double[] east = new double[marks];
        for (int i = 0; i < marks; i++) {
            north[i] = 30 * Math.sin(0.9 * i);
            east[i] = 80 * i;
        }
        List<Lineage> chain = new ArrayList<>(List.of(Lineage.HELD, Lineage.HELD));
        for (int i = 1; i < marks - 1; i++) {
            double backNorth = north[i - 1] - north[i];
            double backEast = east[i - 1] - east[i];
            double square = backNorth * backNorth + backEast * backEast;
            double[] byStation = {1, 0, 0, 1, backEast / square, -backNorth / square};
            double[] byBacksight = {0, 0, 0, 0, -backEast / square, backNorth / square};
            Lineage pose = Lineage.of(
                    "S" + i,
                    3,
                    List.of(new Lineage.Part(chain.get(i), byStation), new Lineage.Part(chain.get(i - 1), byBacksight)),
                    new double[] {1e-6, 0, 0, 0, 1e-6, 0, 0, 0, 1e-10});
            double[] polar = {1, 0, -(east[i + 1] - east[i]), 0, 1, north[i + 1] - north[i]};
            chain.add(Lineage.of(
                    "T" + (i + 1), 2, List.of(new Lineage.Part(pose, polar)), new double[] {4e-6, 0, 0, 4e-6}));
        }
        return chain;
    }

    /** The law of propagation in one step: derivatives by every source of error, their squares added up. */
    private static double[] sumOverSources(Lineage of, Map<Lineage, Map<Lineage, double[]>> known) {
        int size = of.size();
        double[] sum = new double[size * size];
        derivatives(of, known).forEach((source, by) -> {
            int columns = source.size();
            for (int i = 0; i < size; i++) {
                for (int j = 0; j < size; j++) {
                    for (int k = 0; k < columns; k++) {
                        sum[i * size + j] += by[i * columns + k] * source.own()[k * columns + k] * by[j * columns + k];
                    }
                }
            }
        });
        return sum;
    }

    private static Map<Lineage, double[]> derivatives(Lineage of, Map<Lineage, Map<Lineage, double[]>> known) {
        if (known.containsKey(of)) {
            return known.get(of);
        }
        Map<Lineage, double[]> all = new HashMap<>();
        double[] itself = new double[of.size() * of.size()];
        for (int i = 0; i < of.size(); i++) {
            itself[i * of.size() + i] = 1;
        }
        all.put(of, itself);
        for (Lineage.Part part : of.parts()) {
            int inner = part.of().size();
            derivatives(part.of(), known).forEach((source, by) -> {
                double[] sum = all.computeIfAbsent(source, s -> new double[of.size() * s.size()]);
                for (int i = 0; i < of.size(); i++) {
                    for (int j = 0; j < source.size(); j++) {
                        for (int k = 0; k < inner; k++) {
                            sum[i * source.size() + j] += part.factors()[i * inner + k] * by[k * source.size() + j];
                        }
                    }
                }
            });
        }
        known.put(of, all);
        return all;
    }

    // The law of propagation, textbook. Rounding had doubled with each setup: minus 0.2 square metres after eighty, of
    // 0.4.
    @Test
    void theVarianceOfALongChainIsThatOfAllItsSources() {
        List<Lineage> chain = openTraverse(400);
        Map<Lineage, Map<Lineage, double[]>> known = new HashMap<>();
        Propagation propagation = new Propagation();
        for (int i = 2; i < chain.size(); i++) {
            double[] expected = sumOverSources(chain.get(i), known);
            double[] found = propagation.variance(chain.get(i));
            double size = expected[0] + expected[3];
            for (int k = 0; k < 4; k++) {
                assertThat(found[k]).as("T%d", i).isCloseTo(expected[k], within(1e-9 * size));
            }
        }
    }
}
