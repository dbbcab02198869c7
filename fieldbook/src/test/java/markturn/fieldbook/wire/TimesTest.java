package markturn.fieldbook.wire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Source: ISO 8601 as the language reads it. */
class TimesTest {
    @Test
    void theUsualFormIsReadAsTheLanguageReadsIt() {
        Random random = new Random(7);
        for (int i = 0; i < 5_000; i++) {
            Instant second = Instant.ofEpochSecond(random.nextInt(4_000_000) * 1_000L + random.nextInt(1_000));
            Instant milli = second.plusMillis(1 + random.nextInt(999));
            assertThat(Times.read(second.toString())).isEqualTo(second);
            assertThat(Times.read(milli.toString())).isEqualTo(milli);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2026-05-04T09:12:00+02:00",
                "2026-05-04T09:12Z",
                "2024-02-29T23:59:59Z",
                "2026-05-04T09:12:00.1Z",
                "2026-05-04T09:12:00.123456789Z",
                "2000-02-29T00:00:00.000Z"
            })
    void everyOtherFormToo(String text) {
        assertThat(Times.read(text)).isEqualTo(OffsetDateTime.parse(text).toInstant());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2026-02-29T09:12:00Z",
                "1900-02-29T00:00:00Z",
                "2026-13-04T09:12:00Z",
                "2026-00-04T09:12:00Z",
                "2026-05-00T09:12:00Z",
                "2026-05-04T25:12:00Z",
                "2026-05-04T09:60:00Z",
                "2026-05-04T09:12:60Z",
                "2026-05-04 09:12:00Z",
                "2026-05-04T09:12:0xZ",
                "today",
                ""
            })
    void whatIsNoTimeIsRefused(String text) {
        assertThatThrownBy(() -> Times.read(text)).isInstanceOf(DateTimeParseException.class);
    }
}
