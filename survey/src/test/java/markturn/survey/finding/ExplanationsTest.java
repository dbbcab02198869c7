package markturn.survey.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One cause, one stop (practice.md 10), pair by pair. Common practice, no source. */
class ExplanationsTest {
    private static Finding stop(String code, String setup, String target, double metres) {
        return Finding.of(code, Severity.STOP, setup, target, code + ".").with(Measure.LENGTH, metres, 0.010);
    }

    private static Severity ofEffect(Finding cause, Finding effect) {
        return Explanations.fold(List.of(cause, effect)).get(1).severity();
    }

    @ParameterizedTest
    @CsvSource({
        "faces-differ, set-residual",
        "faces-differ, half-set-closure",
        "faces-differ, backsight-drift",
        "faces-differ, backsight-distance",
        "faces-differ, second-fix",
        "faces-differ, both-ways-differ",
        "set-residual, backsight-drift",
        "backsight-drift, second-fix",
        "mark-disagrees, backsight-distance",
        "mark-disagrees, backsight-elevation",
        "marks-disagree, backsight-distance",
        "backsight-other-mark, backsight-distance",
        "backsight-other-mark, backsight-elevation"
    })
    void atTheSameTargetOfTheSameSetupOnly(String cause, String effect) {
        assertThat(ofEffect(stop(cause, "S1", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.NOTE);
        assertThat(ofEffect(stop(cause, "S2", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.STOP);
        // The effect alone does not explain its cause.
        assertThat(ofEffect(stop("one-set", "S1", "B", 0.05), stop(effect, "S1", "B", 0.02)))
                .isEqualTo(Severity.STOP);
    }

    @ParameterizedTest
    @CsvSource({"mark-disagrees", "marks-disagree", "groups-agree", "half-set-closure"})
    void aMisreadFacePullsAtEveryMarkOfItsSetup(String effect) {
        assertThat(ofEffect(stop("faces-differ", "S1", "B", 0.05), stop(effect, "S1", "C", 0.02)))
                .isEqualTo(Severity.NOTE);
    }

    /** What is shot from a station that a mark pulls at is off with it, and by no more than the mark. */
    @ParameterizedTest
    @CsvSource({"0.061, 0.016, NOTE", "0.061, 0.080, STOP"})
    void aMarkThatPullsAtAStationIsCarriedOn(double mark, double shot, Severity shown) {
        assertThat(ofEffect(stop("mark-disagrees", "R1", "D", mark), stop("second-fix", "R1", "CREST", shot)))
                .isEqualTo(shown);
    }
}
