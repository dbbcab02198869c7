package markturn.tripod.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a page draws anew. Common practice, no source; the text is read by a general-purpose library. */
class ViewTest {
    private static final JsonMapper JSON = new JsonMapper();

    private record Line(String key, String words) implements View.Line {
        @Override
        public Sheet sheet() {
            return Sheet.empty().with("key", key).with("words", words);
        }
    }

    private static Shown words(String words) {
        return () -> Sheet.empty().with("words", words);
    }

    @Test
    void onlyWhatDiffersIsSent() {
        View before = View.of(4)
                .with("strip", words("4 stored"))
                .with("findings", words("none"))
                .always("live", words("Sight B"))
                .withLines(List.of(new Line("a", "1"), new Line("b", "2")));
        View after = View.of(5)
                .with("strip", words("5 stored"))
                .with("findings", words("none"))
                .always("live", words("Sight B"))
                .withLines(List.of(new Line("a", "1"), new Line("b", "2, mean 1"), new Line("c", "3")));
        JsonNode sent = JSON.readTree(after.since(before));
        assertThat(sent.get("revision").asInt()).isEqualTo(5);
        assertThat(sent.has("whole")).isFalse();
        assertThat(sent.get("parts").propertyNames()).containsExactlyInAnyOrder("strip", "live");
        assertThat(sent.get("lines")).extracting(l -> l.get("key").asString()).containsExactly("b", "c");
    }

    @Test
    void ofRowsInTheirPlacesThoseThatDifferAreSent() {
        View before = View.of(4).withPlaces("way", List.of(words("2 marks"), words("3 left")));
        View after = View.of(5).withPlaces("way", List.of(words("2 marks"), words("2 left")));
        JsonNode sent = JSON.readTree(after.since(before)).get("parts");
        assertThat(sent.propertyNames()).containsExactly("way/1");
        assertThat(sent.get("way/1").get("words").asString()).isEqualTo("2 left");
        assertThat(JSON.readTree(after.whole()).get("parts").propertyNames()).containsExactly("way/0", "way/1");
    }

    @Test
    void whoeverShowsSomethingElseGetsAll() {
        View view = View.of(5)
                .with("strip", words("5 stored"))
                .with("rows", List.of(words("x"), words("y")))
                .withLines(List.of(new Line("a", "1")))
                .saying("T2 lies 3 mm from T1.");
        JsonNode sent = JSON.readTree(view.whole());
        assertThat(sent.get("whole").asBoolean()).isTrue();
        assertThat(sent.get("message").asString()).isEqualTo("T2 lies 3 mm from T1.");
        assertThat(sent.get("parts").get("rows").get("rows")).hasSize(2);
        assertThat(sent.get("lines")).hasSize(1);
    }

    @Test
    void aPartThatShowsNothingAnyMoreIsSentEmpty() {
        View before = View.of(1).with("mismatch", words("The circle moved"));
        JsonNode sent = JSON.readTree(View.of(2).with("mismatch", words("")).since(before));
        assertThat(sent.get("parts").get("mismatch")).isEmpty();
    }
}
