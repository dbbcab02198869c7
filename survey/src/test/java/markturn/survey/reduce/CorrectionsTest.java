package markturn.survey.reduce;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Angles;
import markturn.survey.finding.standing.BeforePickingUp;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Job;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.result.Moved;
import markturn.survey.result.Position;
import markturn.survey.station.SetupEffects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Atmosphere, scale, heights taped twice, drift by time, and orientations that do not come from marks. */
class CorrectionsTest {
    private static final Earth FLAT = new Earth(6371000, 0.13, false, 1);

    /** Source: H. Barrell and J. E. Sears (1939), dispersion of air, N = 287.604 + 1.6288/λ² + 0.0136/λ⁴; from memory. */
    private static double barrellAndSears(double wavelength) {
        return 287.604 + 1.6288 / Math.pow(wavelength, 2) + 0.0136 / Math.pow(wavelength, 4);
    }

    /** Source: B. Edlén (1966), air at 15 °C and 1013.25 hPa, brought to 0 °C as an ideal gas; from memory. */
    private static double edlen(double wavelength) {
        double k = 1 / (wavelength * wavelength);
        return (8342.13 + 2406030 / (130 - k) + 15997 / (38.9 - k)) / 100 * 288.15 / 273.15;
    }

    /** Group refractivity from a dispersion formula: N − λ·dN/dλ, by central differences. */
    private static double group(java.util.function.DoubleUnaryOperator phase, double wavelength) {
        double step = 1e-4;
        double slope = (phase.applyAsDouble(wavelength + step) - phase.applyAsDouble(wavelength - step)) / (2 * step);
        return phase.applyAsDouble(wavelength) - wavelength * slope;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.532, 0.633, 0.658, 0.780, 0.850, 0.905, 1.064})
    void theRefractivityAgreesWithOlderPublishedDispersionFormulas(double wavelength) {
        double ours = Air.standardRefractivity(wavelength);
        assertThat(ours).isCloseTo(group(CorrectionsTest::barrellAndSears, wavelength), within(0.05));
        // Edlén's air and the ideal gas law differ from the resolution's by a few tenths of a ppm.
        assertThat(ours).isCloseTo(group(CorrectionsTest::edlen, wavelength), within(0.6));
    }

    @ParameterizedTest
    @CsvSource({
        // Sources: the central meridian's 0.9996 is the definition of the projection; at 320 km from it the scale is
        // 1.00086 (secant cylinder, 0.9996·(1 + x²/2R²)); a tangent cone or cylinder is true to scale where it touches.
        "+proj=utm +zone=32 +ellps=GRS80, 5500000, 500000, 0.9996, 1e-9",
        "+proj=utm +zone=32 +ellps=GRS80, 5500000, 820000, 1.0008576, 2e-5",
        "+proj=tmerc +lat_0=0 +lon_0=9 +k=1 +x_0=3500000 +ellps=bessel, 5500000, 3500000, 1, 1e-9",
        "+proj=lcc +lat_1=50 +lat_0=50 +lon_0=9 +k_0=1 +x_0=0 +y_0=0 +ellps=GRS80, 0, 0, 1, 1e-9",
    })
    void thePointScaleIsThatOfTheProjection(
            String definition, double north, double east, double expected, double bound) {
        GridProjection projection = new GridProjection(definition, 0);
        assertThat(GridScale.combined(projection, north, east, 6371000).orElseThrow())
                .isCloseTo(expected, within(bound));
        // 637.1 m up is 100 ppm: R/(R + h).
        assertThat(GridScale.combined(new GridProjection(definition, 637.1), north, east, 6371000)
                        .orElseThrow())
                .isCloseTo(expected / 1.0001, within(bound + 1e-9));
    }

    @Test
    void aProjectionThatCannotBeComputedIsAStopAndNoNumber() {
        Job job = Jobs.with(
                new Earth(6371000, 0.13, true, 1, Optional.of(new GridProjection("+proj=nonsense", 0))),
                new Setup.BySights(List.of("B")),
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100));
        assertThat(codes(Survey.compute(job))).contains("scale-unknown");
        assertThat(GridScale.isUnderstood("+proj=nonsense")).isFalse();
        assertThat(GridScale.isUnderstood("+proj=utm +zone=32 +ellps=GRS80")).isTrue();
    }

    @Test
    void groundDistancesAreCarriedOntoTheGridByTheProjection() {
        Earth onGrid = new Earth(
                6371000,
                0.13,
                false,
                1,
                Optional.of(new GridProjection("+proj=tmerc +lat_0=0 +lon_0=9 +k=0.9996 +x_0=5000 +ellps=GRS80", 0)));
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100.04),
                pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 1000));
        SurveyResult result = Survey.compute(Jobs.with(onGrid, new Setup.BySights(List.of("B")), readings));
        assertThat(result.measured()
                        .setup("S1")
                        .sets("T1")
                        .orElseThrow()
                        .horizontal()
                        .getAsDouble())
                // The instrument's axis is 11.6 m above the ellipsoid less the 10 m of the control: by hand, R/(R +
                // 1.6).
                .isCloseTo(999.6 * 6371000 / 6371001.6, within(1e-5));
    }

    private static List<String> codes(SurveyResult result) {
        return result.findings().stream().map(finding -> finding.code().key()).toList();
    }

    @Test
    void ofAHeightTapedTwiceTheMeanIsUsedAndTheDifferenceJudged() {
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50));
        Job twice = Jobs.with(readings)
                .withSetup(
                        "S1",
                        s -> s.withInstrumentHeight(
                                new MeasuredHeight(1.600, MeasuredHeight.To.AXIS, OptionalDouble.of(1.604))));
        SurveyResult result = Survey.compute(twice);
        assertThat(result.measured().setup("S1").instrumentHeight().getAsDouble())
                .isCloseTo(1.602, within(1e-12));
        // The class allows 2 mm; taping within 1 mm each makes 3.3·√2 mm chance, so 4 mm is still chance here.
        assertThat(codes(result)).doesNotContain("height-twice");
        Job apart = twice.withSetup(
                "S1",
                s -> s.withInstrumentHeight(
                        new MeasuredHeight(1.600, MeasuredHeight.To.AXIS, OptionalDouble.of(1.612))));
        assertThat(codes(Survey.compute(apart))).contains("height-twice");
    }

    @Test
    void aSmallerCentringFigureOfItsOwnReplacesTheUsualOne() {
        List<Reading> readings = pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100);
        SurveyResult usual = Survey.compute(Jobs.with(readings));
        List<Reading> forced = readings.stream().map(r -> r.withCentring(0)).toList();
        SurveyResult result = Survey.compute(Jobs.with(forced));
        // Source: the weights of a direction, σ² = σ_dir² + (σ_ci² + σ_ct²)/D², here 2" and 1 mm on 100 m.
        double pointing = Math.pow(2 * Angles.SECOND, 2);
        assertThat(usual.measured().setup("S1").orientationVariance().getAsDouble())
                .isCloseTo(pointing + 2e-6 / 1e4, within(1e-16));
        assertThat(result.measured().setup("S1").orientationVariance().getAsDouble())
                .isCloseTo(pointing + 1e-6 / 1e4, within(1e-16));
    }

    private static Reading at(Reading reading, int minute) {
        return reading.withAt(Instant.parse("2026-05-04T08:00:00Z").plusSeconds(60L * minute));
    }

    /** A circle that turns by 1" a minute from minute 0 on, looked back at after 60 minutes. */
    private static Job drifting() {
        List<Reading> readings = new ArrayList<>();
        pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100).forEach(r -> readings.add(at(r, 0)));
        readings.add(at(reading("301", Role.DETAIL, 0, Face.LEFT, "90-00-15", "90-00-00", 1000), 15));
        readings.add(at(reading("301", Role.CHECK, 0, Face.LEFT, "90-00-45", "90-00-00", 1000), 45));
        readings.add(at(reading("B", Role.CHECK, 0, Face.LEFT, "0-01-00", "90-00-00", 100), 60));
        return Jobs.with(FLAT, new Setup.BySights(List.of("B")), readings);
    }

    @Test
    void aDriftIsTakenOutByTimeWhereThatIsDecided() {
        SurveyResult as = Survey.compute(drifting());
        Position before = as.measured().mark("301").orElseThrow().position().orElseThrow();
        assertThat(before.northing() - 1000).isCloseTo(-1000 * Math.sin(15 * Angles.SECOND), within(1e-9));
        Job decided = drifting()
                .plus(new Decision(
                        Optional.empty(),
                        "reviewer",
                        Decision.CORRECT_DRIFT,
                        Map.of("setup", "S1"),
                        "a leg sank",
                        Optional.empty(),
                        Optional.empty()));
        SurveyResult corrected = Survey.compute(decided);
        Position after =
                corrected.measured().mark("301").orElseThrow().position().orElseThrow();
        assertThat(after.northing()).isCloseTo(1000, within(1e-9));
        assertThat(corrected.measured().checks().get(0).northingDifference().getAsDouble())
                .isCloseTo(0, within(1e-9));
        // What the closing sight showed stays on record.
        assertThat(corrected.measured().setup("S1").closingSight().orElseThrow().direction())
                .isCloseTo(60 * Angles.SECOND, within(1e-12));
        assertThat(Moved.between(as.measured(), corrected.measured()))
                .extracting(Moved::mark)
                .containsExactly("301");
    }

    @Test
    void aMappedFeatureOrientsApproximatelyAndSaysSo() {
        List<Reading> readings = all(
                pair("301", Role.BACKSIGHT, 1, "10-00-00", "190-00-00", 0),
                pair("T1", Role.FORESIGHT, 1, "100-00-00", "280-00-00", 50));
        // The map shows the feature due north, 2 km away, within 5 m: 5/2000 rad.
        SurveyResult result = Survey.compute(Jobs.with(FLAT, new Setup.ByFeature("301", 3000, 5000, 5), readings));
        assertThat(result.measured().setup("S1").orientation().getAsDouble()).isCloseTo(0, within(1e-12));
        assertThat(Math.sqrt(result.measured().setup("S1").orientationVariance().getAsDouble()))
                .isCloseTo(0.0025, within(1e-6));
        Position t1 = result.measured().mark("T1").orElseThrow().position().orElseThrow();
        assertThat(t1.easting()).isCloseTo(5050, within(1e-9));
        assertThat(codes(result)).contains("orientation-approximate");
    }

    @Test
    void aHalfSetClosedOnItsFirstTargetTestsTheCircle() {
        List<Reading> readings = new ArrayList<>();
        readings.add(reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100));
        readings.add(reading("T1", Role.FORESIGHT, 1, Face.LEFT, "90-00-00", "90-00-00", 100));
        readings.add(reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-09", "90-00-00", 100));
        // 9" stay within the class's 10"; 40" do not, nor within what chance reaches.
        assertThat(codes(Survey.compute(Jobs.with(readings)))).doesNotContain("half-set-closure");
        readings.set(2, reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-40", "90-00-00", 100));
        assertThat(codes(Survey.compute(Jobs.with(readings)))).contains("half-set-closure");
    }

    @Test
    void whatTiltCentringAndAirDoIsThatOfTheseSights() {
        SetupEffects effects = new SetupEffects(List.of(
                new SetupEffects.EffectSight("near", 20, OptionalDouble.of(Math.toRadians(60))),
                new SetupEffects.EffectSight("far", 500, OptionalDouble.of(Math.toRadians(89)))));
        // Source: textbook, i·cot z: 10" at 60° of zenith are 5.8"; e/D: 1 mm on 20 m are 10.3".
        assertThat(effects.ofTilt(10 * Angles.SECOND).orElseThrow().turned() / Angles.SECOND)
                .isCloseTo(5.77, within(0.01));
        assertThat(effects.ofCentring(0.001).orElseThrow().turned() / Angles.SECOND)
                .isCloseTo(10.31, within(0.01));
        assertThat(effects.ofCentring(0.001).orElseThrow().target()).isEqualTo("near");
    }

    @Test
    void beforePickingUpNamesTheSightThatCures() {
        List<Reading> readings = all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50));
        SurveyResult result = Survey.compute(Jobs.with(readings));
        List<BeforePickingUp.Loose> loose = BeforePickingUp.of(result.job(), result.measured(), "S1", Optional.empty());
        assertThat(loose).extracting(l -> l.sight().orElse("")).contains("B", "D", "");
        assertThat(loose.toString()).contains("T1 is seen from one setup only").contains("Closing sight");
    }
}
