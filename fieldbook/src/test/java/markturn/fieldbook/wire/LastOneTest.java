package markturn.fieldbook.wire;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Equal values that follow each other are one object, others stay what they are. Source: the definition. */
class LastOneTest {
    @Test
    void whatFollowsWithTheSameIsTheSameObject() {
        LastOne<Optional<Double>> heights = new LastOne<>(Optional.empty());
        Optional<Double> first = heights.of(Optional.of(1.6));
        assertThat(first).contains(1.6);
        assertThat(heights.of(Optional.of(1.6))).isSameAs(first);
        assertThat(heights.of(Optional.of(2.0))).contains(2.0);
        assertThat(heights.of(Optional.empty())).isEmpty();
        assertThat(heights.of(Optional.of(1.6))).isEqualTo(first).isNotSameAs(first);
    }
}
