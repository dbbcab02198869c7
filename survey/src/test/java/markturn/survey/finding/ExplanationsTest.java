package markturn.survey.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One cause, one stop (practice.md 10), pair by pair. Common practice, no source. */
class ExplanationsTest {
    private static Finding stop(FindingCode code, String setup, String target, double metres) {
        return Finding.of(code, Severity.STOP, setup, target, code + ".").with(Measure.LENGTH, metres, 0.010);
    }

    private static Severity ofEffect(Finding cause, Finding effect) {
        return Explanations.fold(List.of(cause, effect)).get(1).severity();
    }

    @ParameterizedTest
    @CsvSource({
        "FACES_DIFFER, SET_RESIDUAL",
        "FACES_DIFFER, HALF_SET_CLOSURE",
        "FACES_DIFFER, BACKSIGHT_DRIFT",
        "FACES_DIFFER, BACKSIGHT_DISTANCE",
        "FACES_DIFFER, SECOND_FIX",
        "FACES_DIFFER, BOTH_WAYS_DIFFER",
        "SET_RESIDUAL, BACKSIGHT_DRIFT",
        "BACKSIGHT_DRIFT, SECOND_FIX",
        "MARK_DISAGREES, BACKSIGHT_DISTANCE",
        "MARK_DISAGREES, BACKSIGHT_ELEVATION",
        "MARKS_DISAGREE, BACKSIGHT_DISTANCE",
        "BACKSIGHT_OTHER_MARK, BACKSIGHT_DISTANCE",
        "BACKSIGHT_OTHER_MARK, BACKSIGHT_ELEVATION"
    })
    void atTheSameTargetOfTheSameSetupOnly(FindingCode cause, FindingCode effect) {
        assertThat(ofEffect(stop(cause, "S1", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.NOTE);
        assertThat(ofEffect(stop(cause, "S2", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.STOP);
        // The effect alone does not explain its cause.
        assertThat(ofEffect(stop(FindingCode.ONE_SET, "S1", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.STOP);
    }

    @ParameterizedTest
    @CsvSource({"MARK_DISAGREES", "MARKS_DISAGREE", "GROUPS_AGREE", "HALF_SET_CLOSURE"})
    void aMisreadFacePullsAtEveryMarkOfItsSetup(FindingCode effect) {
        assertThat(ofEffect(stop(FindingCode.FACES_DIFFER, "S1", "B", 0.05), stop(effect, "S1", "C", 0.02)))
                .isEqualTo(Severity.NOTE);
    }

    /** What is shot from a station that a mark pulls at is off with it, and by no more than the mark. */
    @ParameterizedTest
    @CsvSource({"0.061, 0.016, NOTE", "0.061, 0.080, STOP"})
    void aMarkThatPullsAtAStationIsCarriedOn(double mark, double shot, Severity shown) {
        assertThat(ofEffect(
                        stop(FindingCode.MARK_DISAGREES, "R1", "D", mark),
                        stop(FindingCode.SECOND_FIX, "R1", "CREST", shot)))
                .isEqualTo(shown);
    }
}
