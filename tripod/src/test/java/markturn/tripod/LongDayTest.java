package markturn.tripod;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.tripod.turning.TurningSheet;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * A setup that grows line by line to many located points. Where each lies is plane trigonometry: level sights from A at N 1000 E 5000, the
 * circle's zero on B due north; distances as the instrument showed them, the prism's constant in them.
 */
class LongDayTest {
    private static final int SHOTS = 150;

    /** @param secondSet the circle of T1 in the second set on face left; its truth is 165 20 20 */
    private static FieldDay turned(String secondSet) {
        FieldDay day = new FieldDay();
        day.occupyA();
        day.book("0 00 00", "89 42 50.1", "100.001");
        day.book("75 20 20.2", "88 34 05.6", "80.025");
        day.book("255 20 20.2", "271 25 54.4", "80.025");
        day.book("180 00 00", "270 17 09.9", "100.001");
        day.book("90 00 00", "89 42 50.1", "100.001");
        day.book(secondSet, "88 34 05.6", "80.025");
        day.book("345 20 20.2", "271 25 54.4", "80.025");
        day.book("270 00 00", "270 17 09.9", "100.001");
        return day;
    }

    private static double slope(int shot) {
        return 20 + shot / 10.0;
    }

    /** The circle was set to 90 for the second set, and stays there. */
    private static void shoot(FieldDay day, int shot, String face) {
        boolean left = face.equals("LEFT");
        day.turning(
                "reading",
                Map.of(
                        "key",
                        "k",
                        "target",
                        "D" + shot,
                        "role",
                        "DETAIL",
                        "face",
                        face,
                        "reflector",
                        "Prism",
                        "height",
                        "1.500",
                        "circle",
                        (left ? 90 + 2 * shot % 270 : (270 + 2 * shot % 270) % 360) + " 00 00",
                        "zenith",
                        left ? "90 00 00" : "270 00 00",
                        "slope",
                        String.format(Locale.ROOT, "%.3f", slope(shot))));
        assertThat(day.faults()).isEmpty();
    }

    private static Position truth(int shot) {
        double azimuth = Math.toRadians(2 * shot % 270);
        double length = slope(shot);
        return Position.held(new Mark.Coordinates(
                1000 + length * Math.cos(azimuth), 5000 + length * Math.sin(azimuth), OptionalDouble.of(10)));
    }

    @Test
    void everyPointLiesWhereItLiesAndAsIfComputedFromNothing() {
        FieldDay day = turned("165 20 20.2");
        for (int shot = 0; shot < SHOTS; shot++) {
            shoot(day, shot, "LEFT");
            Position at = day.book()
                    .result()
                    .measured()
                    .mark("D" + shot)
                    .flatMap(MeasuredMark::position)
                    .orElseThrow();
            assertThat(at.distanceTo(truth(shot))).isCloseTo(0, within(0.0005));
            assertThat(at.elevation().getAsDouble()).isCloseTo(10, within(0.0005));
        }
        // The other face of the last one is no second point.
        shoot(day, SHOTS - 1, "RIGHT");
        var anew = Survey.compute(day.book().job());
        assertThat(day.book().result().measured().marks())
                .isEqualTo(anew.measured().marks());
        assertThat(day.book().result().findings()).isEqualTo(anew.findings());
        assertThat(day.book().job().locatedCount()).isEqualTo(SHOTS);
    }

    @Test
    void theLastLinesAreShownAndEarlyOnesOnlyWhereSomethingIsOut() {
        FieldDay sound = turned("165 20 20.2");
        FieldDay slipped = turned("165 21 20.2");
        for (int shot = 0; shot < SHOTS; shot++) {
            shoot(sound, shot, "LEFT");
            shoot(slipped, shot, "LEFT");
        }
        List<Integer> shown = places(sound.lines());
        assertThat(shown).hasSize(40).startsWith(SHOTS + 8 - 40).endsWith(SHOTS + 7);
        List<Integer> alsoOut = places(slipped.lines());
        assertThat(alsoOut).hasSizeGreaterThan(40).endsWith(SHOTS + 7);
        // Both lines of T1 in the sets, of which a residual is a minute out, and nothing of the detail between.
        assertThat(alsoOut.stream().filter(place -> place < SHOTS + 8 - 40))
                .isNotEmpty()
                .allMatch(place -> place < 8);
        JsonNode whole = FieldDay.read(TurningSheet.inOrder(Optional.of("tablet"), true)
                .view(slipped.book(), slipped.setup(), Instant.parse("2026-04-17T09:00:00Z"))
                .whole());
        assertThat(whole.get("lines")).hasSize(SHOTS + 8);
    }

    /** Where in the book the lines stand, by their keys. */
    private static List<Integer> places(JsonNode lines) {
        List<Integer> places = new ArrayList<>();
        lines.forEach(line -> places.add(line.get("place").asInt()));
        return places;
    }
}
