package markturn.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Keys and places of readings, both ways, beside plain tables while a job grows. Source: the definition. */
class PlacesTest {
    @Test
    void everyLineIsFoundBothWaysWhateverCameAtOnce() {
        Random random = new Random(5);
        Map<String, ReadingPlace> plain = new HashMap<>();
        Map<String, Integer> lengths = new HashMap<>();
        List<Places> all = new ArrayList<>();
        List<Integer> sizes = new ArrayList<>();
        Places places = Places.NONE;
        for (int step = 0; step < 400; step++) {
            Map<String, ReadingPlace> more = new HashMap<>();
            int lines = step % 50 == 0 ? 90 : random.nextInt(3);
            for (int line = 0; line < lines; line++) {
                String setup = "S" + random.nextInt(4);
                int index = lengths.merge(setup, 1, Integer::sum) - 1;
                more.put("key-" + (plain.size() + line), new ReadingPlace(setup, index));
            }
            plain.putAll(more);
            places = places.plus(more);
            all.add(places);
            sizes.add(plain.size());
        }
        for (var each : plain.entrySet()) {
            assertThat(places.find(each.getKey())).contains(each.getValue());
            assertThat(places.keyOf(each.getValue())).contains(each.getKey());
        }
        assertThat(places.find("key-" + plain.size())).isEmpty();
        assertThat(places.keyOf(new ReadingPlace("S0", lengths.get("S0")))).isEmpty();
        assertThat(places.keyOf(new ReadingPlace("S0", -1))).isEmpty();
        assertThat(places.keyOf(new ReadingPlace("S9", 0))).isEmpty();
        // What was before knows what it knew, and no more.
        for (int i = 0; i < all.size(); i++) {
            assertThat(all.get(i).find("key-" + (sizes.get(i) - 1)).isPresent()).isEqualTo(sizes.get(i) > 0);
            assertThat(all.get(i).find("key-" + sizes.get(i))).isEmpty();
        }
    }
}
