package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Lists whose elements are found and counted without looking through them, beside plain lists. Source: the definition. */
class NamedTest {
    private static final Predicate<String> EVEN = text -> text.length() % 2 == 0;
    private static final Predicate<String> WITH_A_SEVEN = text -> text.contains("7");

    @Test
    void aListThatGrowsCountsAsAPlainOneDoes() {
        Random random = new Random(1);
        List<String> plain = new ArrayList<>();
        List<String> named = Named.of(List.of(), text -> text);
        for (int i = 0; i < 1_500; i++) {
            List<String> more = new ArrayList<>();
            for (int k = random.nextInt(3); k >= 0; k--) {
                more.add("m" + random.nextInt(100_000));
            }
            plain.addAll(more);
            named = Named.plus(named, more, text -> text);
            assertThat(Named.count(named, EVEN))
                    .isEqualTo((int) plain.stream().filter(EVEN).count());
            assertThat(Named.count(named, WITH_A_SEVEN))
                    .isEqualTo((int) plain.stream().filter(WITH_A_SEVEN).count());
        }
        assertThat(named).isEqualTo(plain);
    }

    /** Of "a" goes "A" with it, and so on: what was neither asked for nor goes with that is not there, laid out or not. */
    @Test
    void aPartHoldsWhatWasAskedForAndWhatGoesWithIt() {
        List<String> all = Named.of(List.of("A", "B", "C", "a", "b", "x", "y"), text -> text);
        for (boolean laidOut : new boolean[] {false, true}) {
            List<String> part = Named.part(
                    all,
                    new LinkedHashSet<>(List.of("b", "x", "z")),
                    text -> Optional.of(text.toUpperCase(Locale.ROOT)));
            if (laidOut) {
                assertThat(part).containsExactly("b", "B", "x");
            }
            assertThat(Stream.of("b", "x", "B").map(name -> Named.get(part, name)))
                    .containsExactly("b", "x", "B");
            assertThat(Stream.of("A", "a", "y", "X", "z").map(name -> Named.get(part, name)))
                    .containsOnlyNulls();
            assertThat(Named.count(part, EVEN)).isZero();
            assertThat(part).hasSize(3);
        }
    }
}
