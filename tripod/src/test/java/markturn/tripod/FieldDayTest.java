package markturn.tripod;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import markturn.survey.finding.base.Basis;
import markturn.survey.result.Position;
import markturn.tripod.detail.Choice;
import markturn.tripod.detail.DetailEntries;
import markturn.tripod.detail.DetailSheet;
import markturn.tripod.review.ReviewEntries;
import markturn.tripod.view.View;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * The acts at the instrument from typing to view. Readings of known truth: T1 lies at N 1020.248 E 5077.395 H 12.000, W1 at N 985.120
 * E 5033.660 H 9.250; circles, zeniths and slopes follow from that by plane trigonometry with the earth's curvature and a refraction
 * coefficient of 0.13.
 */
class FieldDayTest {
    private static FieldDay turned() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        return day;
    }

    @Test
    void theSheetLeadsThroughThePointingsToTheTruth() {
        FieldDay day = new FieldDay();
        day.occupyA();
        assertThat(day.part("live").get("sentence").asString()).isEqualTo("Face LEFT. Sight B. Prism 1.500.");
        assertThat(day.part("strip").get("left").asString()).isEqualTo("8 pointings left of 2 sets");
        assertThat(day.part("notices").has("unproved")).isFalse();
        day.book("0 00 00", "89 42 50.1", "100.001");
        assertThat(day.lines().get(0).get("circle").asString()).isEqualTo("0°00'00\"");
        assertThat(day.part("live").get("sentence").asString()).isEqualTo("Face LEFT. Sight T1. Prism 1.500.");
        FieldDay whole = turned();
        assertThat(whole.part("strip").get("left").asString()).isEqualTo("all sets turned");
        assertThat(whole.part("through").get("review").asString()).isEqualTo("/job/day/review/S1");
        assertThat(whole.part("comparisons").get("rows").get(0).get("words").asString())
                .isEqualTo("B: distance 0.3 mm shorter than known, elevation as known. Within chance.");
        Position t1 = whole.book()
                .result()
                .measured()
                .mark("T1")
                .orElseThrow()
                .position()
                .orElseThrow();
        assertThat(t1.northing()).isCloseTo(1020.248, within(0.0005));
        assertThat(t1.easting()).isCloseTo(5077.395, within(0.0005));
        assertThat(t1.elevation().getAsDouble()).isCloseTo(12.000, within(0.0005));
    }

    @Test
    void whatIsAtFaultStandsWithItsFieldAndNothingIsBooked() {
        FieldDay day = new FieldDay();
        day.occupyA();
        long before = day.book().revision();
        day.turning(
                "reading",
                Map.of(
                        "key",
                        "k",
                        "target",
                        "B",
                        "role",
                        "BACKSIGHT",
                        "face",
                        "LEFT",
                        "set",
                        "1",
                        "circle",
                        "1 64 00"));
        assertThat(day.faults()).containsEntry("circle", "Minutes 64: they end at 59");
        day.turning("strike", Map.of("line", "nothing"));
        assertThat(day.faults().get("message")).contains("with a reason");
        assertThat(day.book().revision()).isEqualTo(before);
    }

    @Test
    void aBookedLineAnswersWithItselfAndWhatItChanges() {
        FieldDay day = turned();
        View before = day.view();
        day.turning("strike", Map.of("line", day.lines().get(7).get("key").asString(), "reason", "point again"));
        JsonNode changed = FieldDay.read(day.view().since(before));
        assertThat(changed.get("lines")).hasSize(1);
        assertThat(changed.get("lines").get(0).get("struck").asString()).isEqualTo("struck out: point again");
        assertThat(changed.get("parts").get("live").get("sentence").asString())
                .isEqualTo("Face RIGHT. Sight B. Prism 1.500.");
        assertThat(changed.get("parts").has("round")).isFalse();
    }

    @Test
    void theClosingSightFallsDueAndIsSaid() {
        FieldDay day = turned();
        day.later(600);
        assertThat(day.part("notices").get("closing").get("address").asString())
                .isEqualTo("/job/day/turning/S1?role=check&face=left&target=B");
        assertThat(day.part("strip").get("age").asString()).isEqualTo("600 min since the backsight");
    }

    @Test
    void detailIsBookedUnderTheNextNameAndLiesWhereItLies() {
        FieldDay day = turned();
        Map<String, String> shot = Map.of(
                "key",
                "w",
                "name",
                "W1",
                "code",
                "WALL",
                "reflector",
                "Prism",
                "height",
                "1.700",
                "join",
                "begin",
                "circle",
                "203 50 55.2",
                "zenith",
                "90 51 22.9",
                "slope",
                "36.806");
        day.act(shot, (book, occasion) -> new DetailEntries(book, day.setup(), occasion).of("shot", shot));
        assertThat(day.faults()).isEmpty();
        Choice next = Choice.of(DetailEntries.next("shot", shot), day.book().job(), day.setup());
        JsonNode view =
                FieldDay.read(new DetailSheet(day.book(), "S1", next).view().whole());
        assertThat(view.get("lines").get(0).get("where").asString()).isEqualTo("N 985.120  E 5033.660  H 9.250");
        assertThat(view.get("parts").get("live").get("sentence").asString()).isEqualTo("Sight WALL 1. Prism at 1.700.");
        assertThat(view.get("parts").get("sketch").get("last").get("name").asString())
                .isEqualTo("W1");
        // The very same readings once more are asked about before they are stored.
        Map<String, String> again = new java.util.HashMap<>(shot);
        again.put("name", "W2");
        day.act(again, (book, occasion) -> new DetailEntries(book, day.setup(), occasion).of("shot", again));
        assertThat(day.faults().get("message")).contains("Again the same?");
    }

    @Test
    void whatIsSetOutIsWhereTheTruthIs() {
        FieldDay day = turned();
        Map<String, String> asked = Map.of("point", "T1");
        JsonNode answer = day.shown("setout", "", asked).get("parts").get("answer");
        assertThat(answer.get("turn").asString()).isEqualTo("75°20'20.2\"");
        assertThat(answer.get("ground").asString()).isEqualTo("80.000");
    }

    @Test
    void aSetupIsAcceptedAsItWasLookedAt() {
        FieldDay day = turned();
        String basis = Basis.of(day.book().job(), day.setup()).text();
        Map<String, String> typed = Map.of("basis", basis);
        day.turning("strike", Map.of("line", day.lines().get(0).get("key").asString(), "reason", "point again"));
        day.act(typed, (book, occasion) -> Optional.of(new ReviewEntries(book, occasion).accept(day.setup(), typed)));
        assertThat(day.faults().get("message")).startsWith("Not accepted: since this page was drawn");
        day.turning("restore", Map.of("line", day.lines().get(0).get("key").asString()));
        day.act(typed, (book, occasion) -> Optional.of(new ReviewEntries(book, occasion).accept(day.setup(), typed)));
        assertThat(day.faults()).isEmpty();
        assertThat(day.part("strip").get("state").asString()).isEqualTo("accepted");
    }
}
