package markturn.survey.show;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

/** Source: the language's own formatting, as the second opinion. */
class SentenceTest {
    @Test
    void putsInWhatTheLanguageItselfPutsIn() {
        String pattern = "%s lies %d mm off, 100 % of %s%s";
        assertThat(Sentence.of(pattern, "T1", 12, "A", ""))
                .isEqualTo(String.format(pattern.replace("% ", "%% "), "T1", 12, "A", ""));
    }

    @Test
    void whatIsPutInIsNotReadAgain() {
        assertThat(Sentence.of("%s and %s", "%s", "%d")).isEqualTo("%s and %d");
    }

    @Test
    void refusesTooLittleAndTooMuch() {
        assertThatThrownBy(() -> Sentence.of("%s and %s", "A")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Sentence.of("%s", "A", "B")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void countsOneAndMany() {
        assertThat(Sentence.count(1, "mark", "marks") + ", " + Sentence.count(0, "setup", "setups"))
                .isEqualTo("1 mark, 0 setups");
    }
}
