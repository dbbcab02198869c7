package markturn.tripod.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Names as people give them. Source: RFC 3986, the signs that mean something in an address. */
class NameInAddressTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "S1",
                "PILLAR 1",
                "12/3",
                "a;b",
                "..",
                ".",
                "50%",
                "%00",
                "{x}",
                "A#2?",
                "~2F",
                "Müller",
                "→ 7",
                "\\"
            })
    void aNameComesBackAsItWent(String name) {
        String segment = NameInAddress.of(name);
        assertThat(segment).doesNotContain("/", ";", "%", "?", "#", "{", "\\");
        assertThat(NameInAddress.read(segment)).isEqualTo(name);
    }

    /** Second opinion: the language's own encoder of forms, which writes a blank as a plus and leaves the star. */
    @Test
    void aValueIsWhatTheLanguagesOwnEncoderMakesOfIt() {
        String text = "PILLAR 1/2 & Müller → 7? #50%~a-b_c.d";
        assertThat(NameInAddress.value(text))
                .isEqualTo(URLEncoder.encode(text, StandardCharsets.UTF_8)
                        .replace("+", "%20")
                        .replace("%7E", "~"));
    }
}
