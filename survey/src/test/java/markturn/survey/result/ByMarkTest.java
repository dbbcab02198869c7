package markturn.survey.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import markturn.survey.job.Mark;
import markturn.survey.job.Named;
import org.junit.jupiter.api.Test;

/** What lies beside a list of marks is found, replaced and taken away as in a plain map. Theory. */
class ByMarkTest {
    @Test
    void isAMapWhateverTheListHolds() {
        Random random = new Random(8);
        List<Mark> marks = Named.of(
                List.of(Mark.named("A", Mark.Kind.NEW), Mark.named("B", Mark.Kind.NEW), Mark.named("C", Mark.Kind.NEW)),
                Mark::name);
        ByMark<Integer> beside = new ByMark<>(GivenMarks.of(marks, false));
        Map<String, Integer> plain = new HashMap<>();
        for (int step = 0; step < 500; step++) {
            String mark = List.of("A", "B", "C", "unlisted", "other").get(random.nextInt(5));
            if (random.nextInt(3) == 0) {
                assertThat(beside.remove(mark)).isEqualTo(plain.remove(mark));
            } else {
                assertThat(beside.put(mark, step)).isEqualTo(plain.put(mark, step));
            }
            for (String each : List.of("A", "B", "C", "unlisted", "other", "never")) {
                assertThat(beside.get(each)).isEqualTo(plain.get(each));
            }
            for (int place = 0; place < 3; place++) {
                Integer there = plain.get(marks.get(place).name());
                assertThat(beside.at(place)).isEqualTo(there);
                assertThat(beside.places().get(place)).isEqualTo(there != null);
            }
        }
    }
}
