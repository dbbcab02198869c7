package markturn.survey.finding.coordinates;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.judgement.Judgement.Verdict;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

/** A taped distance beside what the instrument measures. The figure is a right angle with legs of 30 and 40 m: 50 m, by Pythagoras. */
class ReferenceComparisonTest {
    private static Job job(double tape, double rise) {
        return Jobs.with(
                        new Earth(6371000, 0.13, false, 1),
                        new Setup.BySights(List.of("B")),
                        all(
                                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 30.0),
                                pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 40.0)))
                .plus(new ReferencePair(
                        "B", "T1", OptionalDouble.of(tape), 0.002, OptionalDouble.of(rise), 0.001, "steel tape"));
    }

    private static List<ReferenceComparison> compared(Job job) {
        return ReferenceComparison.of(job, Survey.compute(job).measured());
    }

    @Test
    void theInstrumentIsHeldAgainstTheTape() {
        ReferenceComparison distance = compared(job(49.998, 0)).get(0);
        assertThat(distance.measured()).isCloseTo(50, within(1e-6));
        assertThat(distance.difference()).isCloseTo(0.002, within(1e-6));
        assertThat(distance.verdict()).isEqualTo(Verdict.WITHIN_CHANCE);
        assertThat(distance.sentence(new Words(job(50, 0).units())))
                .isEqualTo("Distance B to T1: steel tape 49.998 m, instrument 50.000 m; 2.0 mm more, within chance.");
    }

    @Test
    void aConstantThatIsWrongShowsWithoutCoordinates() {
        SurveyResult result = Survey.compute(job(50.042, 0));
        Finding found = result.findings().stream()
                .filter(f -> f.code() == FindingCode.REFERENCE_DISTANCE)
                .findFirst()
                .orElseThrow();
        assertThat(found.severity()).isEqualTo(Severity.STOP);
        assertThat(found.text()).contains("steel tape 50.042 m, instrument 50.000 m", "reflector constant");
    }

    @Test
    void heightDifferencesAreComparedToo() {
        ReferenceComparison level = compared(job(50, 0.050)).get(1);
        assertThat(level.height()).isTrue();
        assertThat(level.measured()).isCloseTo(0, within(1e-6));
        assertThat(level.verdict()).isEqualTo(Verdict.OVER_LIMIT);
    }

    @Test
    void aTapeLiesOnTheGround() {
        Job grid = job(50, 0).withEarth(new Earth(6371000, 0.13, false, 0.9996));
        assertThat(compared(grid).get(0).measured()).isCloseTo(50, within(1e-6));
    }
}
