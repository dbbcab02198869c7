package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Where names stand, beside a general-purpose table of the platform. */
class NameIndexTest {
    @Test
    void itFindsWhatATableFindsInListsOfAnyLength() {
        Random random = new Random(7);
        for (int size = 0; size < 300; size++) {
            List<String> names = new ArrayList<>();
            Map<String, Integer> table = new HashMap<>();
            for (int place = 0; place < size; place++) {
                // Half of them numbered as points are, with some names twice.
                String name = place % 2 == 0 ? "D" + place / 4 : "D" + random.nextInt(1_000) + "-" + random.nextInt(9);
                names.add(name);
                table.putIfAbsent(name, place);
            }
            NameIndex<String> index = new NameIndex<>(List.copyOf(names), name -> name);
            for (int asked = 0; asked < 400; asked++) {
                assertThat(index.place("D" + asked, -7)).isEqualTo(table.getOrDefault("D" + asked, -7));
            }
            table.forEach((name, place) -> assertThat(index.place(name, -7)).isEqualTo(place));
        }
    }

    /** "Aa" and "BB" have the same number in Java, and so has whatever is put together from as many of them. Source: String.hashCode. */
    @Test
    void namesOfTheSameNumberAreToldApart() {
        List<String> names = List.of("AaAa", "AaBB", "BBAa", "BBBB");
        assertThat(names).allMatch(name -> name.hashCode() == "AaAa".hashCode());
        NameIndex<String> index = new NameIndex<>(names, name -> name);
        assertThat(names.stream().map(name -> index.place(name, -1))).containsExactly(0, 1, 2, 3);
        assertThat(index.place("AaAaAa", -1)).isEqualTo(-1);
    }
}
