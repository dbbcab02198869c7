package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Held to the generator of the Java platform, whose algorithm its documentation prescribes for every implementation. */
class SeededRandomTest {
    @Test
    void givesWhatThePlatformGives() {
        for (long seed : new long[] {0, 1, -7, 20260503L, Long.MIN_VALUE, Long.MAX_VALUE}) {
            SeededRandom mine = new SeededRandom(seed);
            Random platform = new Random(seed);
            for (int i = 0; i < 1000; i++) {
                assertThat(mine.nextDouble()).isEqualTo(platform.nextDouble());
                assertThat(mine.nextInt(4)).isEqualTo(platform.nextInt(4));
                assertThat(mine.nextInt(7)).isEqualTo(platform.nextInt(7));
                // The platform's own logarithm may differ in the last place.
                assertThat(mine.nextGaussian()).isCloseTo(platform.nextGaussian(), within(1e-14));
            }
        }
    }
}
