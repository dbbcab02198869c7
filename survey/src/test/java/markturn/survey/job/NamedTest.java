package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Predicate;
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
}
