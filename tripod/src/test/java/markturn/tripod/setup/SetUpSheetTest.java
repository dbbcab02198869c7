package markturn.tripod.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.tripod.FieldDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What is typed at the sheet of setting up, field by field. What is asked for: common practice, no source. */
class SetUpSheetTest {
    /** On A, with B as backsight and T1 as target. */
    private static Map<String, String> sound(FieldDay day) {
        Map<String, String> typed = new LinkedHashMap<>(Prepared.typed(day.book(), Map.of()));
        typed.putAll(Map.of("station", "A", "height", "1.500", "instrument", "I1", "method", "occupied"));
        typed.putAll(Map.of("back-0", "B", "back-0-reflector", "Prism", "back-0-height", "1.500"));
        typed.putAll(Map.of("fore-0", "T1", "fore-0-reflector", "Prism", "fore-0-height", "1.500"));
        return typed;
    }

    private static FieldDay begun(String... otherwise) {
        FieldDay day = new FieldDay();
        Map<String, String> typed = sound(day);
        for (int i = 0; i < otherwise.length; i += 2) {
            typed.put(otherwise[i], otherwise[i + 1]);
        }
        day.on("setup", "", "begin", typed);
        return day;
    }

    static Stream<Arguments> atFault() {
        return Stream.of(
                Arguments.of("station", "T9", "station", "T9 has no coordinates in this job"),
                Arguments.of("station", "B", "station", "The instrument stands on B: sight another mark"),
                Arguments.of("instrument", "I9", "instrument", "Expected one of the instruments"),
                Arguments.of("height", "", "height", "Empty: expected the height of the instrument"),
                Arguments.of("heightTo", "notch", "height", "Its notch is not described in the equipment"),
                Arguments.of("tiltAlong", "3", "tiltAcross", "Both axes of the level go together"),
                Arguments.of("temperature", "12", "pressure", "Temperature and pressure go together"),
                Arguments.of("pressure", "980", "temperature", "Temperature and pressure go together"),
                Arguments.of("back-0", "", "back-0", "Empty: expected a backsight"),
                Arguments.of("back-0", "T8", "back-0", "T8 has no coordinates in this job"),
                Arguments.of("back-0-reflector", "Mirror", "back-0-reflector", "Expected one of the reflectors"),
                Arguments.of("back-0-height", "", "back-0-height", "Empty: expected the height of the target"),
                Arguments.of("fore-0", "B", "fore-0", "B is named twice"),
                Arguments.of("orientation", "azimuth", "azimuth", "Empty: expected the azimuth to B"),
                Arguments.of("orientation", "feature", "featureNorthing", "Expected northing, easting, and how well"),
                Arguments.of("start", "typed", "circleStart", "Empty: expected what the circle is to read"),
                Arguments.of("keyed", "typed", "keyedPpm", "Empty: expected what the instrument shows"),
                Arguments.of("sets", "0", "sets", "a number of sets from 1 to 99"),
                Arguments.of("method", "resection", "freeStation", "Empty: expected a name for the place"));
    }

    @ParameterizedTest
    @MethodSource("atFault")
    void whatIsAtFaultStandsWithItsField(String field, String typed, String at, String said) {
        FieldDay day = begun(field, typed);
        assertThat(day.faults().get(at)).contains(said);
        assertThat(day.book().job().setups()).isEmpty();
        assertThat(day.book().job().mark("T1")).isEmpty();
    }

    @Test
    void aFreeStationTakesANameThatNoKnownMarkHas() {
        assertThat(begun("method", "resection", "freeStation", "A").faults())
                .containsEntry("freeStation", "A has coordinates already: occupy it, or take another name");
        FieldDay day = begun(
                "method",
                "resection",
                "freeStation",
                "F1",
                "back-1",
                "A",
                "back-1-reflector",
                "Prism",
                "back-1-height",
                "1.500");
        assertThat(day.faults()).isEmpty();
        assertThat(day.setup().isFree()).isTrue();
        assertThat(day.book().job().mark("F1").orElseThrow().kind()).isEqualTo(Mark.Kind.NEW);
        assertThat(day.book().job().mark("T1").orElseThrow().kind()).isEqualTo(Mark.Kind.NEW);
    }

    private static OptionalDouble start(FieldDay day, int set) {
        TurningOrder order = day.book().order(day.setup());
        return order.circleStart().of(set, order.sets());
    }

    /** B lies due north of A: its azimuth is 0; from B, A lies at 180 degrees. Steps of 180 degrees by the number of sets. */
    @Test
    void theCircleBeginsAsItIsAsked() {
        assertThat(start(begun("start", "zero"), 1)).hasValue(0);
        assertThat(start(begun("start", "small"), 1).getAsDouble()).isCloseTo(Math.toRadians(5), within(1e-9));
        assertThat(start(begun("start", "falls"), 1)).isEmpty();
        FieldDay fromB = begun("start", "azimuth", "station", "B", "back-0", "A");
        assertThat(start(fromB, 1).getAsDouble()).isCloseTo(Math.PI, within(1e-9));
        FieldDay typed = begun("start", "typed", "circleStart", "12 30 00", "stepped", "on", "sets", "2");
        assertThat(start(typed, 1).getAsDouble()).isCloseTo(Math.toRadians(12.5), within(1e-9));
        assertThat(start(typed, 2).getAsDouble()).isCloseTo(Math.toRadians(102.5), within(1e-9));
    }

    @Test
    void aFeatureOfAMapOrAnAzimuthOrientsToo() {
        FieldDay feature = begun(
                "orientation",
                "feature",
                "back-0",
                "SPIRE",
                "featureNorthing",
                "3000",
                "featureEasting",
                "5000",
                "featureStdDev",
                "2");
        assertThat(feature.faults()).isEmpty();
        assertThat(feature.setup().orientation()).isEqualTo(new Setup.ByFeature("SPIRE", 3000, 5000, 2));
        FieldDay azimuth = begun("orientation", "azimuth", "back-0", "SPIRE", "azimuth", "90 00 00");
        assertThat(azimuth.faults()).isEmpty();
        Setup.ByAzimuth given = (Setup.ByAzimuth) azimuth.setup().orientation();
        assertThat(given.azimuth().radians()).isCloseTo(Math.PI / 2, within(1e-12));
        assertThat(begun("orientation", "azimuth", "back-0", "SPIRE", "azimuth", "90 00 00", "start", "azimuth"))
                .satisfies(day -> assertThat(start(day, 1).getAsDouble()).isCloseTo(Math.PI / 2, within(1e-12)));
    }

    @Test
    void whatIsKeyedInGoesWithEveryLine() {
        FieldDay day = begun("keyed", "typed", "keyedPpm", "12.5", "keyedConstant", "-34");
        assertThat(day.faults()).isEmpty();
        day.book("5 00 00", "89 42 50.1", "100.001");
        assertThat(day.setup().readings().get(0).applied().orElseThrow().ppm()).hasValue(12.5);
        assertThat(day.setup().readings().get(0).applied().orElseThrow().constant())
                .hasValue(-0.034);
    }

    private static Map<String, String> height(FieldDay day, String... typed) {
        Map<String, String> all = new LinkedHashMap<>(Map.of("instrument", "I1", "method", "occupied"));
        for (int i = 0; i < typed.length; i += 2) {
            all.put(typed[i], typed[i + 1]);
        }
        return HeightWords.of(all, day.book(), Instant.parse("2026-04-17T08:00:00Z"));
    }

    @Test
    void aHeightIsSaidAsItStandsOverTheMark() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        assertThat(height(day)).isEmpty();
        assertThat(height(day, "height", "1.5x").get("fault")).isNotEmpty();
        assertThat(height(day, "height", "1.520")).containsOnly(Map.entry("words", "1.520 vertical to the axis"));
        // The prism stood at 1.500 over T1 on the tribrach on which the instrument stands now.
        assertThat(height(day, "height", "1.520", "from", "S1", "station", "T1", "centring", "0.3")
                        .get("move"))
                .startsWith(
                        "The target stood 1.500 m over the same tribrach's mark; the axis now stands 20 mm higher.");
        assertThat(height(day, "height", "1.500", "from", "S1", "station", "NOWHERE", "centring", "0.3"))
                .doesNotContainKey("move");
    }
}
