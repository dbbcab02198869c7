package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import markturn.survey.Jobs;
import org.junit.jupiter.api.Test;

/** Names that come by themselves. Source: common practice, no source. */
class CodeTest {
    private static Job job(String... names) {
        return Jobs.with(List.of())
                .withMarks(List.of(names).stream()
                        .map(n -> Mark.named(n, Mark.Kind.LOCATED))
                        .toList());
    }

    @Test
    void aNameTypedByHandIsCountedOn() {
        assertThat(Code.after(job("101"), "101")).isEqualTo("102");
        assertThat(Code.after(job("GATE 07", "GATE 08"), "GATE 07")).isEqualTo("GATE 09");
        assertThat(Code.after(job("GATE 99"), "GATE 99")).isEqualTo("GATE 100");
        assertThat(Code.after(job("CORNER"), "CORNER")).isEqualTo("CORNER 2");
        assertThat(Code.after(job("P99999999"), "P99999999")).isEqualTo("P100000000");
    }
}
