package markturn.survey.job;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is text. Source: XML 1.0, production 2 (Char), less the control characters of Unicode category Cc but tab and line ends. */
class PlainTextTest {
    @ParameterizedTest
    @ValueSource(
            strings = {"\u0000", "a\u0007b", "\u001B[31m", "\u007F", "\u0085", "\uFFFE", "\uFFFF", "\uD800", "x\uDC00y"
            })
    void whatIsNoTextIsFoundAndReplaced(String text) {
        assertThat(PlainText.fault(text)).isPresent();
        assertThat(PlainText.cleaned(text)).contains("\uFFFD").hasSameSizeAs(text);
        assertThat(PlainText.fault(PlainText.cleaned(text))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "PILLAR 4", "Größe 5\" ± ½ °", "tab\tand\nline\r\n", "\uD83D\uDCCD pin", "測点"})
    void textStaysAsItIs(String text) {
        assertThat(PlainText.fault(text)).isEmpty();
        assertThat(PlainText.cleaned(text)).isSameAs(text);
    }

    @Test
    void theFaultSaysWhere() {
        assertThat(PlainText.fault("ab\u0001")).hasValue(2);
    }
}
