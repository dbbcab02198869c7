package markturn.tripod.setout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import markturn.tripod.FieldDay;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Setting out from A with B due north: what leads to a place, and what the pole still has to move. The circle reads 90° to B. Source: plane trigonometry. */
class SetOutTest {
    private static FieldDay oriented() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        return day;
    }

    private static JsonNode parts(FieldDay day, Map<String, String> asked) {
        return day.shown("setout", "", asked).get("parts");
    }

    private static Map<String, String> shot(Map<String, String> asked, String name, String circle, String slope) {
        Map<String, String> typed = new HashMap<>(asked);
        typed.putAll(FieldDay.pointing(name, "1.500", circle, "90 00 00", slope));
        return typed;
    }

    @Test
    void whatCannotBeSaidStandsWithItsField() {
        FieldDay day = oriented();
        assertThat(parts(day, Map.of("point", "NOWHERE"))
                        .get("faults")
                        .get("point")
                        .asString())
                .isEqualTo("\"NOWHERE\" has no position in this job: expected the name of a mark that has one");
        assertThat(parts(day, Map.of("northing", "1000"))
                        .get("faults")
                        .get("easting")
                        .asString())
                .isEqualTo("Empty: northing and easting go together");
        assertThat(parts(day, Map.of("from", "A", "to", "A", "station", "5"))
                        .get("faults")
                        .get("to")
                        .asString())
                .isEqualTo("A lies where the line begins: expected another mark");
    }

    @Test
    void aTypedPlaceIsTurnedToAndTheNextStationOfALineFollows() {
        FieldDay day = oriented();
        JsonNode east =
                parts(day, Map.of("northing", "1000", "easting", "5030")).get("answer");
        assertThat(east.get("turn").asString()).isEqualTo("90°00'00.0\"");
        assertThat(east.get("ground").asString()).isEqualTo("30.000");
        // 40 m along the line from A to B, 30 m to the right: 50 m away, atan(3/4) from the backsight.
        Map<String, String> line = Map.of("from", "A", "to", "B", "station", "40", "offset", "30", "every", "45");
        JsonNode answer = parts(day, line).get("answer");
        assertThat(answer.get("sentence").asString()).isEqualTo("To station 40 of A to B, 30 to the right:");
        assertThat(answer.get("turn").asString()).isEqualTo("36°52'11.6\"");
        assertThat(answer.get("ground").asString()).isEqualTo("50.000");
        assertThat(answer.get("next").get("words").asString()).isEqualTo("Next: station 85.000");
        Map<String, String> last = new HashMap<>(line);
        last.put("station", "85");
        assertThat(parts(day, last).get("answer").get("next").get("words").asString())
                .isEqualTo("Next: station 100.000");
        last.put("station", "100");
        assertThat(parts(day, last).get("answer").has("next")).isFalse();
    }

    /** The pole stands 29.900 m away, 10 mm to the left: it goes 0.100 away and 0.010 to the right, and 0.200 up. */
    @Test
    void thePoleIsToldHowFarItStillGoes() {
        FieldDay day = oriented();
        Map<String, String> asked = Map.of("northing", "1000", "easting", "5030", "elevation", "10.2");
        day.on("setout", "", "shot", shot(asked, "place out 1", "179 58 51.0", "29.900"));
        assertThat(day.faults()).isEmpty();
        Map<String, String> found = new HashMap<>(asked);
        found.put("found", "place out 1");
        assertThat(parts(day, found)
                        .get("answer")
                        .get("compared")
                        .get("sentence")
                        .asString())
                .isEqualTo(
                        "From where it is, the pole goes 0.100 m away from you and 0.010 m to your right; fill 0.200 m.");
        assertThat(parts(day, asked).get("shot").get("name").asString()).isEqualTo("place out 2");
        // What is less than a digit that is shown is no cut: nobody is sent back for it.
        found.put("elevation", "9.9998");
        assertThat(parts(day, found)
                        .get("answer")
                        .get("compared")
                        .get("sentence")
                        .asString())
                .endsWith("; it is at its height.");
    }

    @Test
    void whatIsSetOutHasANameOfItsOwnAndADistance() {
        FieldDay day = oriented();
        Map<String, String> asked = Map.of("point", "T1");
        day.on("setout", "", "shot", shot(asked, "T1", "165 20 20", "80.025"));
        assertThat(day.faults())
                .containsEntry("name", "T1 is in this job already: expected a name of its own for what was set out");
        day.on("setout", "", "shot", shot(asked, "T1 out 1", "165 20 20", ""));
        assertThat(day.faults()).containsEntry("slope", "Empty: without a distance nothing can be compared");
    }
}
