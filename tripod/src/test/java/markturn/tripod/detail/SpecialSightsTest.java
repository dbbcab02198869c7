package markturn.tripod.detail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import markturn.survey.result.Position;
import markturn.tripod.FieldDay;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Sights that several pointings make up: the sheet leads through them in their order, and what they make up lies where it lies. The circle
 * reads 90° to B, due north, as the last set left it.
 */
class SpecialSightsTest {
    private static FieldDay begun(String kind, String name) {
        FieldDay day = new FieldDay();
        day.turnOnA();
        day.on("detail", "S1", "special", Map.of("kind", kind, "name", name, "code", "TREE"));
        assertThat(day.faults()).isEmpty();
        return day;
    }

    private static String asked(FieldDay day) {
        return day.shown("detail", "S1", Map.of())
                .get("parts")
                .get("live")
                .get("sentence")
                .asString();
    }

    private static void shot(FieldDay day, String name, String circle, String zenith, String slope) {
        Map<String, String> typed = FieldDay.pointing(name, "1.500", circle, zenith, slope);
        typed.put("again", "on");
        day.on("detail", "S1", "shot", typed);
        assertThat(day.faults()).as(name).isEmpty();
    }

    private static Position at(FieldDay day, String name) {
        return day.book()
                .result()
                .measured()
                .mark(name)
                .orElseThrow()
                .position()
                .orElseThrow();
    }

    /**
     * A trunk between 89° and 91°, its front 20 m away: with half the angle {@code a} the radius is {@code d sin a / (1 - sin a)}, 0.355 m.
     * Source: plane trigonometry.
     */
    @Test
    void aRoundObjectLiesItsRadiusBehindItsFront() {
        FieldDay day = begun("round", "T7");
        assertThat(asked(day)).contains("LEFT edge");
        shot(day, "T7 left", "179 00 00", "90 00 00", "");
        assertThat(asked(day)).contains("RIGHT edge");
        shot(day, "T7 right", "181 00 00", "90 00 00", "");
        assertThat(asked(day)).contains("FRONT");
        shot(day, "T7 front", "180 00 00", "90 00 00", "20.000");
        double sine = Math.sin(Math.toRadians(1));
        assertThat(at(day, "T7").easting()).isCloseTo(5020 + 20 * sine / (1 - sine), within(0.001));
        assertThat(at(day, "T7").northing()).isCloseTo(1000, within(0.001));
        assertThat(asked(day)).doesNotContain("edge", "FRONT");
    }

    /** Two walls, one along northing 1010, one along easting 5010: they meet at N 1010 E 5010. */
    @Test
    void aCornerIsWhereItsWallsMeet() {
        FieldDay day = begun("corner", "C7");
        assertThat(asked(day)).contains("first point on the FIRST wall");
        // 10 m north and 4 m east; 10 m north and 8 m east; then 4 m and 8 m north and 10 m east.
        shot(day, "C7 a1", "111 48 05.1", "90 00 00", "10.770");
        shot(day, "C7 a2", "128 39 35.3", "90 00 00", "12.806");
        assertThat(asked(day)).contains("first point on the SECOND wall");
        shot(day, "C7 b1", "158 11 54.9", "90 00 00", "10.770");
        shot(day, "C7 b2", "141 20 24.7", "90 00 00", "12.806");
        assertThat(at(day, "C7").northing()).isCloseTo(1010, within(0.003));
        assertThat(at(day, "C7").easting()).isCloseTo(5010, within(0.003));
    }

    /** Plumb above a point 20 m away, seen 45° up: as much higher than the axis as it is far. Source: plane trigonometry. */
    @Test
    void aHeightOutOfReachIsReadAbovePlumb() {
        FieldDay day = begun("above", "L7");
        assertThat(asked(day)).contains("plumb beneath or above");
        shot(day, "L7 base", "180 00 00", "90 00 00", "20.000");
        assertThat(asked(day)).contains("the thing itself");
        shot(day, "L7", "180 00 00", "45 00 00", "");
        assertThat(at(day, "L7").elevation().orElseThrow()).isCloseTo(10 + 1.5 + 20, within(0.002));
    }

    @Test
    void whatWasBegunAndNotFinishedIsSaid() {
        FieldDay day = begun("corner", "C8");
        JsonNode unfinished = day.shown("detail", "S1", Map.of("later", "on")).get("parts");
        assertThat(unfinished.toString()).contains("C8", "corner");
        day.on("detail", "S1", "special", Map.of("kind", "round", "name", "x".repeat(51)));
        assertThat(day.faults()).containsEntry("message", "Expected the name of the point, at most 50 characters");
    }
}
