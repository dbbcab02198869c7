package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What was written comes back letter by letter: the rule that raw readings are the only truth; no outside source. */
class CircleTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "0",
                "0 00 00",
                "359 59 59.99",
                "000 00 00.000",
                "399.99999",
                "-0.5",
                "+1 02 03.4",
                "123 45 06.789012",
                "123 45 06.7890123",
                "123 45 06.78901234",
                "89°42'50.1\"",
                "?",
                "1?2",
                " 1 ",
                "N 12 00 00 E"
            })
    void writingIsKept(String written) {
        Circle circle = new Circle(1.5, written);
        assertThat(circle.written()).isEqualTo(written);
        assertThat(circle.radians()).isEqualTo(1.5);
    }

    @Test
    void itIsAValue() {
        Circle circle = new Circle(1.5, "85 56 37.2");
        assertThat(circle)
                .isEqualTo(new Circle(1.5, "85 56 37.2"))
                .hasSameHashCodeAs(new Circle(1.5, "85 56 37.2"))
                .isNotEqualTo(new Circle(1.6, "85 56 37.2"))
                .isNotEqualTo(new Circle(1.5, "85 56 37.20"))
                .isNotEqualTo(new Circle(1.5, "N 85 56 37.2 E"));
        assertThat(new Circle(1.5, "east")).isEqualTo(new Circle(1.5, "east")).isNotEqualTo(new Circle(1.5, "west"));
    }
}
