package markturn.tripod.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import markturn.survey.finding.base.Finding;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Source: RFC 8259, read by a general-purpose library. */
class SheetTest {
    private static final JsonMapper JSON = new JsonMapper();

    @Test
    void whatIsWrittenIsReadBackSignBySign() {
        StringBuilder every = new StringBuilder();
        for (char sign = 0; sign < 0x3000; sign++) {
            every.append(sign);
        }
        every.append("\ud83d\udccd");
        String json = Sheet.empty().with("a \"name\"\\", every.toString()).json();
        assertThat(JSON.readTree(json).get("a \"name\"\\").asString()).isEqualTo(every.toString());
    }

    /** Source: the HTML standard: a block of data ends at the next closing tag of a script, whatever stands before it. */
    @Test
    void nothingInItEndsTheBlockOfDataItStandsIn() {
        assertThat(Sheet.empty().with("name", "</script><b>").json()).doesNotContain("<");
    }

    @Test
    void whatSaysNothingIsLeftOut() {
        Sheet sheet = Sheet.empty()
                .with("words", "")
                .with("flag", false)
                .with("rows", List.<Shown>of())
                .withWords("texts", List.of())
                .with("part", Sheet.empty());
        assertThat(sheet.isEmpty()).isTrue();
        assertThat(sheet.json()).isEqualTo("{}");
    }

    @Test
    void numbersFlagsRowsAndPartsStandInTheirOrder() {
        JsonNode read = JSON.readTree(Sheet.empty()
                .with("place", 12)
                .with("flag", true)
                .with(
                        "rows",
                        List.of(
                                new SeverityShown(Finding.Severity.STOP, "out"),
                                new SeverityShown(Optional.empty(), "in")))
                .withWords("texts", List.of("one", "two"))
                .with("part", Sheet.empty().with("x", "1"))
                .json());
        assertThat(read.get("place").asInt()).isEqualTo(12);
        assertThat(read.get("flag").asBoolean()).isTrue();
        assertThat(read.get("rows").get(0).get("stroke").asString()).isEqualTo("stop");
        assertThat(read.get("rows").get(1).has("severity")).isFalse();
        assertThat(read.get("texts").get(1).asString()).isEqualTo("two");
        assertThat(read.get("part").get("x").asString()).isEqualTo("1");
    }
}
