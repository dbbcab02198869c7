package markturn.survey.finding.figure;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;

import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.Reading.Role;
import markturn.survey.result.SingleFault.Kind;
import markturn.survey.result.SingleFault.What;
import markturn.survey.result.Suspect;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an error looks like, and how well it must be known for that. Common practice, no source. */
class ErrorPatternsTest {
    /** A round number is a likeness only where the error is known thirty times better (three sigma, ten times) than round numbers lie apart. */
    @ParameterizedTest
    @CsvSource({"1.000, 0.0330, true", "1.000, 0.0340, false", "1.098, 0.0330, true", "1.100, 0.0330, false"})
    void aRoundNumberIsALikenessOnlyWhereItIsKnownWell(double size, double stdDev, boolean said) {
        SurveyResult result = Survey.compute(Jobs.with(all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "80-00-00", "260-00-00", 100))));
        Suspect suspect = new Suspect(new What(Kind.HEIGHT_DIFFERENCE, "S1", "T1"), size, stdDev, 1, 1, true, 1);
        String words = new ErrorPatterns(result.job(), result.measured()).of(suspect);
        assertThat(words.contains("Close to a round number")).isEqualTo(said);
    }
}
