package markturn.survey.angle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.hipparchus.util.MathUtils;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AngleTest {
    private static final double EXACT = 1e-15;

    @Test
    void unitsOfAngleAreTheSameTurn() {
        // Source: definitions, 360 degrees = 400 gon = 2 pi rad; 1 gon = 0.9 degrees.
        assertThat(AngleUnit.GON.read("100")).isCloseTo(Math.PI / 2, within(EXACT));
        assertThat(AngleUnit.DEG.read("180")).isCloseTo(Math.PI, within(EXACT));
        assertThat(AngleUnit.DMS.read("57-17-44.806247096")).isCloseTo(1, within(1e-14)); // one radian, definition
        assertThat(AngleUnit.GON.write(AngleUnit.DMS.read("0-54-00"), 8)).isEqualTo("1.00000000");
        assertThat(AngleUnit.GON.small() / AngleUnit.DMS.small()).isCloseTo(3.24, within(1e-12)); // 1 mgon = 3.24"
    }

    // Source: exact decimals of the language.
    @Test
    void whatIsReadIsTheNearestNumberToWhatIsWritten() {
        Random random = new Random(11);
        for (int i = 0; i < 20_000; i++) {
            int degrees = random.nextInt(360);
            int minutes = random.nextInt(60);
            int second = random.nextInt(60);
            int decimals = random.nextInt(12);
            String rest = decimals == 0 ? "" : "." + digits(random, decimals);
            String text = degrees + "-" + (random.nextBoolean() ? "%02d" : "%d").formatted(minutes) + "-"
                    + (random.nextBoolean() ? "%02d" : "%d").formatted(second) + rest;
            BigDecimal seconds = new BigDecimal(second + rest).add(BigDecimal.valueOf(3600L * degrees + 60L * minutes));
            double turns = seconds.divide(BigDecimal.valueOf(3600), 40, RoundingMode.HALF_EVEN)
                            .doubleValue()
                    / 360;
            assertThat(AngleUnit.DMS.read(text)).as(text).isEqualTo(turns * 2 * Math.PI);
            String gon = random.nextInt(400) + "." + digits(random, 1 + random.nextInt(14));
            assertThat(AngleUnit.GON.read(gon))
                    .as(gon)
                    .isEqualTo(new BigDecimal(gon).doubleValue() / 400 * 2 * Math.PI);
        }
    }

    private static String digits(Random random, int count) {
        return random.ints(count, 0, 10).mapToObj(Integer::toString).collect(Collectors.joining());
    }

    @ParameterizedTest
    @CsvSource({
        // Carry at 60, and at the full turn. Source: arithmetic of the sexagesimal system.
        "59-59-59.99996, 4, 60-00-00.0000",
        "0-59-59.96, 1, 1-00-00.0",
        "359-59-59.99999, 4, 0-00-00.0000",
        "12-03-04.05, 1, 12-03-04.0",
        "12-03-09.96, 1, 12-03-10.0",
        "360-00-00, 0, 0-00-00"
    })
    void secondsNeverShowAsSixty(String read, int decimals, String written) {
        assertThat(AngleUnit.DMS.write(AngleUnit.DMS.read(read), decimals)).isEqualTo(written);
    }

    @Test
    void everyTenthOfASecondSurvivesTheWayThroughText() {
        Random random = new Random(1);
        for (int i = 0; i < 5000; i++) {
            long tenths = (long) (random.nextDouble() * 12960000);
            String text = "%d-%02d-%02d.%d".formatted(tenths / 36000, tenths / 600 % 60, tenths / 10 % 60, tenths % 10);
            assertThat(AngleUnit.DMS.write(AngleUnit.DMS.read(text), 1)).isEqualTo(text);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "361-00-00",
                "12-60-00",
                "12-00-60",
                "12-5",
                "abc",
                "-1-00-00",
                "1e3",
                "",
                "12-00-00.",
                "360-00-00.1"
            })
    void whatIsNoCircleIsRefused(String text) {
        assertThatThrownBy(() -> AngleUnit.DMS.read(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aMeanIsTakenOnTheCircle() {
        // Source: the worked case of the practice, 359°59'58" and 0°00'04" mean 0°00'01".
        double mean = Angles.mean(List.of(AngleUnit.DMS.read("359-59-58"), AngleUnit.DMS.read("0-00-04")));
        assertThat(mean).isCloseTo(AngleUnit.DMS.read("0-00-01"), within(1e-14));
    }

    @Test
    void normalisingAgreesWithAGeneralPurposeLibrary() {
        // Source: Hipparchus MathUtils.normalizeAngle.
        Random random = new Random(2);
        for (int i = 0; i < 1000; i++) {
            double angle = (random.nextDouble() - 0.5) * 100;
            assertThat(Angles.onCircle(angle)).isCloseTo(MathUtils.normalizeAngle(angle, Math.PI), within(1e-13));
            assertThat(Angles.shortWay(angle)).isCloseTo(MathUtils.normalizeAngle(angle, 0), within(1e-13));
        }
    }

    @ParameterizedTest
    @CsvSource({
        // As people write them; the forms are this project's own.
        "123 04 05.6, 123-04-05.6",
        "123-04-05.6, 123-04-05.6",
        "123°04'05.6\", 123-04-05.6",
        "1230405.6, 123-04-05.6",
        "0050003, 5-00-03",
        "'123 4 5,6', 123-04-05.6",
        "45, 45-00-00",
        "7 30, 7-30-00",
        "  5-00-02 , 5-00-02"
    })
    void oneFieldTakesAnAngleAsPeopleWriteIt(String typed, String understood) {
        assertThat(TypedAngle.read(typed, AngleUnit.DMS, false).written()).isEqualTo(understood);
    }

    @ParameterizedTest
    @CsvSource({
        "123 64 05, 4, 6, Minutes 64: they end at 59",
        "1236405, 3, 5, Minutes 64: they end at 59",
        "123 04 60, 7, 9, Seconds 60: they end below 60",
        "12345, 0, 5, several ways",
        "361 00 00, 0, 9, beyond",
        "12a, 0, 3, Not an angle"
    })
    void aFaultIsNamedUnderItsDigits(String typed, int from, int to, String says) {
        TypedAngle.Fault fault =
                catchThrowableOfType(TypedAngle.Fault.class, () -> TypedAngle.read(typed, AngleUnit.DMS, false));
        assertThat(fault).hasMessageContaining(says);
        assertThat(fault.from()).isEqualTo(from);
        assertThat(fault.to()).isEqualTo(to);
    }

    @Test
    void packedNotationIsReadOnlyWhereTheJobSaysSo() {
        assertThat(TypedAngle.read("123.04056", AngleUnit.DMS, true).written()).isEqualTo("123-04-05.6");
        assertThatThrownBy(() -> TypedAngle.read("123.04056", AngleUnit.DMS, false))
                .isInstanceOf(TypedAngle.Fault.class);
        assertThat(TypedAngle.read("123,4567", AngleUnit.GON, false).written()).isEqualTo("123.4567");
    }

    @Test
    void everyKeystrokeEitherReadsOrIsAFault() {
        Random random = new Random(3);
        String keys = "0123456789 -.,'\"°:dms";
        for (int i = 0; i < 20000; i++) {
            StringBuilder typed = new StringBuilder();
            for (int n = random.nextInt(12); n >= 0; n--) {
                typed.append(keys.charAt(random.nextInt(keys.length())));
            }
            try {
                TypedAngle angle = TypedAngle.read(typed.toString(), AngleUnit.DMS, random.nextBoolean());
                assertThat(AngleUnit.DMS.read(angle.written())).isEqualTo(angle.radians());
            } catch (TypedAngle.Fault fault) {
                assertThat(fault.to()).isLessThanOrEqualTo(typed.length());
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "N 45-10-20 E, 45-10-20",
        "S45 10 20E, 134-49-40",
        "s 45°10'20\" w, 225-10-20",
        "N 45-10-20 W, 314-49-40",
        "N 90 E, 90-00-00",
        "S 90 W, 270-00-00",
        "N 0 W, 0-00-00",
        "S 0-00-00.5 E, 179-59-59.5"
    })
    void bearingsByQuadrantAreRead(String bearing, String azimuth) {
        // Source: textbook definition of quadrant bearings.
        assertThat(QuadrantBearing.isMeant(bearing)).isTrue();
        assertThat(QuadrantBearing.read(bearing, AngleUnit.DMS).orElseThrow().radians())
                .isCloseTo(AngleUnit.DMS.read(azimuth), within(1e-12));
    }

    @Test
    void aBearingBeyondAQuarterTurnNamesItsDigits() {
        assertThat(QuadrantBearing.isMeant("45-10-20")).isFalse();
        assertThatThrownBy(() -> QuadrantBearing.read("N 95-00-00 E", AngleUnit.DMS))
                .isInstanceOfSatisfying(TypedAngle.Fault.class, fault -> {
                    assertThat(fault).hasMessageContaining("Beyond a quarter turn");
                    assertThat("N 95-00-00 E".substring(fault.from(), fault.to()))
                            .isEqualTo("95-00-00");
                });
    }

    @ParameterizedTest
    @CsvSource({
        "45-10-20, N 45-10-20 E",
        "134-49-40, S 45-10-20 E",
        "225-10-20, S 45-10-20 W",
        "314-49-40, N 45-10-20 W",
        "0-00-00, N 0-00-00 E"
    })
    void bearingsByQuadrant(String azimuth, String bearing) {
        // Source: textbook definition of quadrant bearings.
        assertThat(QuadrantBearing.write(AngleUnit.DMS.read(azimuth), AngleUnit.DMS, 0))
                .isEqualTo(bearing);
    }
}
