package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Small jobs on which the program once claimed what was not so; each is named after what it showed. Source: made up, with known truth. */
class FoundTest {
    private static SurveyResult computed(String name) throws IOException, FaultyFile {
        try (InputStream in = FoundTest.class.getResourceAsStream("/found/" + name + ".json")) {
            return Survey.compute(JobFile.read(in.readAllBytes()));
        }
    }

    private static Position at(SurveyResult result, String mark) {
        return result.measured().mark(mark).flatMap(MeasuredMark::position).orElseThrow();
    }

    private static List<String> codes(SurveyResult result, Severity severity) {
        return result.findings().stream()
                .filter(f -> f.severity() == severity)
                .map(finding -> finding.code().key())
                .toList();
    }

    private static MeasuredNetwork network(SurveyResult result) {
        return result.measured().network().orElseThrow();
    }

    // By hand: sigma² = 2.0²/1 + (centring of the target / 1000 m)², where 100 m was taken before: 4.22".
    @Test
    void aDirectionWithoutADistanceIsWeighedByTheLengthOfItsLine() throws Exception {
        SurveyResult result = computed("a-network-direction-weight");
        double stdDev = network(result).observations().stream()
                .filter(w -> w.setup().equals("S1") && w.observation().target().equals("B"))
                .mapToDouble(w -> w.observation().stdDev())
                .findFirst()
                .orElseThrow();
        assertThat(Math.toDegrees(stdDev) * 3600).isBetween(2.0, 2.04);
    }

    // Beyond 10 m nothing is a hidden error but a mark that nothing checks: then there is no number.
    @ParameterizedTest
    @ValueSource(
            strings = {
                "b-hidden-nonsense-355",
                "b-hidden-nonsense-375",
                "b-hidden-nonsense-859",
                "b-hidden-nonsense-95",
                "b-hidden-polar-and-direction"
            })
    void whatNothingChecksHasNoHiddenErrorButSaysSo(String name) throws Exception {
        boolean[] some = new boolean[1];
        network(computed(name)).marks().forEach(mark -> {
            OptionalDouble worst = mark.plan().worst();
            assertThat(worst.orElse(0)).as(mark.name()).isLessThan(10);
            assertThat(worst.isEmpty()).isEqualTo(mark.plan().unseen().isPresent());
            some[0] |= worst.isEmpty();
        });
        assertThat(some[0]).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"c-least-constraint-left-out", "c-least-constraint-none"})
    void theLeastConstraintStandsOnMarksThatTakePart(String name) throws Exception {
        assertThat(network(computed(name)).leastConstraint()).isPresent();
    }

    @Test
    void threeDirectionsCheckNothingAndThatIsSaid() throws Exception {
        SurveyResult result = computed("f-three-directions");
        assertThat(result.findings())
                .anyMatch(f ->
                        f.code() == FindingCode.NOTHING_CHECKED && f.setup().equals("S1"));
    }

    // A given elevation stays what it is, and what the network does not find stays as it was.
    @Test
    void adoptingANetworkKeepsGivenElevations() throws Exception {
        SurveyResult given = computed("k-network-adopt-loses-given-elevation");
        assertThat(at(given, "C").elevation()).hasValue(103);
        assertThat(given.findings()).anyMatch(f -> f.code() == FindingCode.ADOPTION_WITHOUT_EFFECT);
        SurveyResult adopted = computed("k-network-elevation-lost-adopted");
        assertThat(at(adopted, "A").elevation()).hasValue(100);
        assertThat(at(adopted, "N").elevation().orElseThrow()).isCloseTo(104.0012, within(1e-3));
    }

    // The only elevation of the job is that of the mark the instrument stands on.
    @Test
    void anObservedStationHoldsTheElevationsOfItsNetwork() throws Exception {
        SurveyResult result = computed("k-network-elevation-lost");
        Position adjusted = network(result).marks().stream()
                .filter(m -> m.name().equals("N"))
                .findFirst()
                .orElseThrow()
                .position();
        assertThat(adjusted.elevation().orElseThrow()).isCloseTo(104.0012, within(1e-3));
        assertThat(adjusted.elevationVariance().orElseThrow()).isGreaterThan(0.006 * 0.006);
    }

    @Test
    void twoDirectionsPlaceAMarkThatNobodyReached() throws Exception {
        Position at = at(computed("g-forward-intersection"), "N");
        assertThat(at.northing()).isCloseTo(90.002, within(1e-3));
        assertThat(at.easting()).isCloseTo(119.9966, within(1e-3));
        assertThat(at.elevation().orElseThrow()).isCloseTo(129.9997, within(1e-3));
    }

    @Test
    void aBacksightKnockedSidewaysIsNamedWithThreeAndLeftOpenWithTwo() throws Exception {
        assertThat(codes(computed("h-backsight-sideways-3"), Severity.STOP)).containsExactly("mark-disagrees");
        assertThat(codes(computed("h-backsight-sideways-2"), Severity.STOP)).containsExactly("marks-disagree");
    }

    @Test
    void aMisreadDigitStopsItsOwnTargetOnce() throws Exception {
        assertThat(codes(computed("i-misread-10min"), Severity.STOP)).containsExactly("faces-differ");
    }

    // A constant left on, three marks: both explanations stand, and no mark is blamed alone.
    @ParameterizedTest
    @ValueSource(strings = {"j-constant-blames-mark-detail", "j-constant-blames-mark-engineering"})
    void aConstantIsWeighedAgainstAMark(String name) throws Exception {
        SurveyResult result = computed(name);
        assertThat(codes(result, Severity.STOP)).containsExactly("marks-disagree");
        assertThat(result.findings().get(0).text()).contains("or the distances to all marks are off together");
    }

    // By hand: (0°00'02" + 360° - 360°00'03")/2 = -0.5", index 2.5"; straight up the zenith circle passes its end.
    @Test
    void aPlumbSightPassesTheEndOfTheZenithCircle() throws Exception {
        SurveyResult up = computed("d-zenith-face-right-past-360");
        assertThat(codes(up, Severity.STOP)).isEmpty();
        double index =
                up.measured().setup("S1").sets("N").orElseThrow().index().get(0).orElseThrow();
        assertThat(Math.toDegrees(index) * 3600).isCloseTo(2.5, within(1e-6));
        SurveyResult down = computed("e-plumb-sight");
        assertThat(codes(down, Severity.STOP)).isEmpty();
        Position at = at(down, "N");
        // By hand: centring of both ends and 50 m by the zenith's noise, whichever way; the distance's 2 mm stays out
        // of the plan.
        double expected = Math.sqrt(1e-6 + 1.5e-3 * 1.5e-3 + Math.pow(50 * 2.5 / 206264.8, 2));
        assertThat(at.plan().ellipse().semiMajor()).isCloseTo(expected, within(5e-5));
    }
}
