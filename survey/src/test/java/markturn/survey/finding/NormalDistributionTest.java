package markturn.survey.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NormalDistributionTest {
    @ParameterizedTest
    @ValueSource(doubles = {0.9, 0.3173, 0.05, 0.01, 0.001, 1e-4, 1e-6, 1e-8})
    void quantilesAgreeWithAGeneralPurposeLibrary(double probability) {
        // Source: Hipparchus NormalDistribution.
        double expected = -new org.hipparchus.distribution.continuous.NormalDistribution()
                .inverseCumulativeProbability(probability / 2);
        assertThat(NormalDistribution.twoSided(probability)).isCloseTo(expected, within(1e-8 * expected + 1e-9));
    }

    @Test
    void threePointThreeSigmaIsOneInAThousand() {
        // Source: the table of the normal distribution, 3.29.
        assertThat(NormalDistribution.twoSided(0.001)).isCloseTo(3.29, within(0.01));
    }
}
