package markturn.tripod.turning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import markturn.survey.job.Decision;
import markturn.survey.job.Reading;
import markturn.tripod.FieldDay;
import org.junit.jupiter.api.Test;

/** What is done while sets are turned besides pointing: a break, a circle that moved, a drift. Common practice, no source. */
class TurningActsTest {
    private static FieldDay broken(String circleAfter) {
        FieldDay day = new FieldDay();
        day.occupyA();
        day.book("0 00 00", "89 42 50.1", "100.001");
        day.turning("break", Map.of("reason", "flat battery"));
        assertThat(day.part("live").get("sentence").asString()).startsWith("After the break: Face LEFT. Sight B.");
        day.book(circleAfter, "89 42 50.1", "100.001");
        return day;
    }

    @Test
    void aCircleThatStoodStillInTheBreakGoesOn() {
        FieldDay day = broken("0 00 02");
        assertThat(day.faults()).isEmpty();
        assertThat(day.part("live").get("sentence").asString()).startsWith("Face LEFT. Sight T1.");
        assertThat(new Interruption(day.book(), day.setup()).mismatch()).isEmpty();
    }

    @Test
    void aCircleThatMovedInTheBreakClosesTheHalfAndAnotherSetIsTurned() {
        FieldDay day = broken("0 01 00");
        assertThat(new Interruption(day.book(), day.setup()).mismatch())
                .startsWith("The circle moved 60\"")
                .contains("limit");
        day.turning("close-half", Map.of());
        assertThat(day.faults()).isEmpty();
        assertThat(day.setup().readings().get(1).struck()).contains("the circle had moved in the break");
        assertThat(new Interruption(day.book(), day.setup()).mismatch()).isEmpty();
        assertThat(day.part("live").get("sentence").asString()).contains("Sight B.");
        for (int start : new int[] {0, 90}) {
            day.book(start + " 00 00", "89 42 50.1", "100.001");
            day.book(75 + start + " 20 20.2", "88 34 05.6", "80.025");
            day.book(255 + start + " 20 20.2", "271 25 54.4", "80.025");
            day.book(180 + start + " 00 00", "270 17 09.9", "100.001");
        }
        assertThat(day.part("strip").get("left").asString()).isEqualTo("all sets turned");
    }

    private static FieldDay drifted() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        day.later(10);
        day.on("detail", "S1", "shot", FieldDay.pointing("W1", "1.700", "203 50 55.2", "90 51 22.9", "36.806"));
        day.later(10);
        day.turning(
                "reading",
                Map.of(
                        "key",
                        "closing",
                        "target",
                        "B",
                        "role",
                        "CHECK",
                        "face",
                        "LEFT",
                        "circle",
                        "90 01 00",
                        "zenith",
                        "89 42 50.1",
                        "slope",
                        "100.001",
                        "reflector",
                        "Prism",
                        "height",
                        "1.500"));
        assertThat(day.faults()).isEmpty();
        return day;
    }

    private static Reading shot(FieldDay day) {
        return day.setup().readings().stream()
                .filter(r -> r.target().equals("W1"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void shotsThatADriftMadeDoubtfulAreStruckOutWithAReason() {
        FieldDay day = drifted();
        day.turning("drift", Map.of("how", "strike"));
        assertThat(day.faults()).containsEntry("message", "That needs a reason: what moved, as far as can be seen.");
        day.turning("drift", Map.of("how", "strike", "reason", "a tripod leg sank"));
        assertThat(shot(day).struck()).contains("drift: a tripod leg sank");
        assertThat(day.setup().readings().stream().filter(r -> !r.stands())).hasSize(1);
    }

    /** The circle went on by a minute of arc over twenty minutes; half way between, half of it is taken out of the shot. */
    @Test
    void aDriftIsTakenOutByTimeWhereThatIsDecided() {
        FieldDay day = drifted();
        double before = day.book()
                .result()
                .measured()
                .mark("W1")
                .orElseThrow()
                .position()
                .orElseThrow()
                .easting();
        day.turning("drift", Map.of("how", "correct", "reason", "the sun came round"));
        assertThat(day.book().job().decisions()).extracting(Decision::what).isEqualTo(List.of(Decision.CORRECT_DRIFT));
        assertThat(shot(day).stands()).isTrue();
        double after = day.book()
                .result()
                .measured()
                .mark("W1")
                .orElseThrow()
                .position()
                .orElseThrow()
                .easting();
        // 33.660 east and 14.880 south of A, turned back by 30": dE = -dN * angle, 2.2 mm.
        assertThat((after - before) * 1000).isBetween(2.0, 2.3);
    }

    @Test
    void whatIsNoActIsNone() {
        FieldDay day = new FieldDay();
        day.occupyA();
        assertThat(new TurningEntries(day.book(), day.setup(), null).of("fly", Map.of()))
                .isEmpty();
        assertThat(new TurningEntries(day.book(), day.setup(), null).of("close-half", Map.of()))
                .isEmpty();
    }
}
