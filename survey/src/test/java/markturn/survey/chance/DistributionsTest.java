package markturn.survey.chance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.special.Erf;
import org.hipparchus.special.Gamma;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DistributionsTest {
    /** Source: Hipparchus, the incomplete gamma function, which its normal distribution does not use; erfc x = Q(1/2, x²). */
    @ParameterizedTest
    @ValueSource(doubles = {0.999, 0.9, 0.3173, 0.05, 0.01, 0.001, 1e-4, 1e-6, 1e-8, 1e-20, 1e-60, 1e-200})
    void aQuantileIsTheInverseOfItsTail(double probability) {
        double z = Distributions.twoSided(probability);
        assertThat(Distributions.beyond(z)).isCloseTo(probability, withinPercentage(1e-8));
        assertThat(Gamma.regularizedGammaQ(0.5, z * z / 2)).isCloseTo(probability, withinPercentage(1e-8));
    }

    /** Source: tables of the normal distribution, to ten digits: 1.959963984540, 2.575829303549, 3.290526731492. */
    @ParameterizedTest
    @CsvSource({"0.05, 1.959963984540", "0.01, 2.575829303549", "0.001, 3.290526731492"})
    void theTableOfTheNormalDistribution(double probability, double deviate) {
        assertThat(Distributions.twoSided(probability)).isCloseTo(deviate, within(1e-10));
        assertThat(Distributions.beyond(deviate)).isCloseTo(probability, within(1e-12));
    }

    /** One degree is the square of a normal deviate, two an exponential: exact values. Source: definition of chi-square. */
    @ParameterizedTest
    @ValueSource(doubles = {0.05, 0.01, 0.001})
    void chiSquareOfOneAndTwoDegrees(double probability) {
        double normal = Distributions.twoSided(probability);
        assertThat(Distributions.chiSquare(1, probability)).isCloseTo(normal * normal, within(1e-10 * normal * normal));
        assertThat(Distributions.chiSquare(2, probability)).isCloseTo(-2 * Math.log(probability), within(1e-10 * 20));
    }

    /** Source: Hipparchus' incomplete gamma function: chi-square exceeds t with Q(degrees/2, t/2). */
    @ParameterizedTest
    @CsvSource({"3, 0.01", "10, 0.001", "97, 0.01", "1000, 0.001", "30000, 0.001"})
    void chiSquareOfManyDegrees(int degrees, double probability) {
        double value = Distributions.chiSquare(degrees, probability);
        assertThat(Gamma.regularizedGammaQ(degrees / 2.0, value / 2)).isCloseTo(probability, withinPercentage(1e-6));
    }

    /** Source: Hipparchus' chi-square and error function, which share nothing with ours: both ends, small and large. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 7, 12, 19, 20, 21, 50, 97, 300, 2000, 20000})
    void tailsAndQuantilesAreThoseOfAGeneralPurposeLibrary(int degrees) {
        ChiSquaredDistribution library = new ChiSquaredDistribution(degrees);
        for (double probability : new double[] {0.999, 0.975, 0.7, 0.5, 0.3, 0.05, 0.025, 0.001}) {
            double value = Distributions.chiSquare(degrees, probability);
            assertThat(1 - library.cumulativeProbability(value))
                    .as(degrees + " degrees, " + probability)
                    .isCloseTo(probability, within(1e-10));
        }
        for (double x = 0.01; x < 40; x *= 1.7) {
            assertThat(IncompleteGamma.above(degrees / 2.0, x))
                    .isCloseTo(Gamma.regularizedGammaQ(degrees / 2.0, x), within(1e-10));
            assertThat(Distributions.beyond(x)).isCloseTo(Erf.erfc(x / Math.sqrt(2)), within(1e-12));
        }
    }

    @Test
    void faultsInOneWayAndInTwoAreRankedByTheirChance() {
        assertThat(Distributions.beyond(Distributions.deviate(20))).isCloseTo(Math.exp(-10), withinPercentage(1e-8));
        assertThat(Distributions.deviate(1e6)).isCloseTo(1000, within(0.01));
        assertThat(Distributions.deviate(0)).isEqualTo(0);
    }
}
