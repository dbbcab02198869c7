package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import markturn.survey.Jobs;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names that are read as one. Common practice, no source. */
class LikeNamesTest {
    private static Job job(String name) {
        return Jobs.with(List.of()).withMarks(List.of(Mark.named(name, Mark.Kind.CONTROL)));
    }

    @ParameterizedTest
    @CsvSource({"CP3, cp3", "CP3, CP 3", "CP-3, CP_3", "CP10, CPIO", "PILLAR 1, PILLAR l", "A–1, A-1"})
    void theseAreAskedAbout(String known, String typed) {
        assertThat(LikeNames.twin(job(known), typed)).contains(known);
    }

    @Test
    void theSameNameAndAnotherAreNot() {
        assertThat(LikeNames.twin(job("CP3"), "CP3")).isEmpty();
        assertThat(LikeNames.twin(job("CP3"), "CP4")).isEmpty();
        assertThat(LikeNames.twin(job("P1"), "P11")).isEmpty();
    }
}
