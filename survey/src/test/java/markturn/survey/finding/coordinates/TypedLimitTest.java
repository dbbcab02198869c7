package markturn.survey.finding.coordinates;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Angles;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading.Role;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.junit.jupiter.api.Test;

/** Limits that somebody typed. What is judged how: practice, 10. */
class TypedLimitTest {
    /** Two sets, the foresight 3" to either side of its mean: residuals of 3". The instrument's direction: 2". */
    private static Job job(Map<Limit, Double> typed) {
        return Jobs.with(all(
                        pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100.0),
                        pair("T1", Role.FORESIGHT, 1, "80-00-03", "260-00-03", 50.0),
                        pair("B", Role.BACKSIGHT, 2, "0-00-00", "180-00-00", 100.0),
                        pair("T1", Role.FORESIGHT, 2, "79-59-57", "259-59-57", 50.0)))
                .with(new ClassOfWork(ClassOfWork.Preset.ENGINEERING, typed));
    }

    private static List<Judgement> residuals(SurveyResult result) {
        return result.judgements().stream()
                .filter(j -> j.quantity() == Limit.SET_RESIDUAL && j.target().equals("T1"))
                .toList();
    }

    @Test
    void aTypedLimitIsJudgedAsTypedAndSaysWhatChanceDoes() {
        SurveyResult preset = Survey.compute(job(Map.of()));
        assertThat(residuals(preset)).noneMatch(Judgement::isOut);
        SurveyResult typed = Survey.compute(job(Map.of(Limit.SET_RESIDUAL, 2 * Angles.SECOND)));
        Judgement judged = residuals(typed).get(0);
        assertThat(judged.limit()).isEqualTo(2 * Angles.SECOND);
        assertThat(judged.isOut()).isTrue();
        // A residual of two sets is good for 2": chance exceeds one sigma in 31.7 %. Source: normal distribution
        // (Hipparchus).
        double beyond = 2 * new NormalDistribution().cumulativeProbability(-1);
        assertThat(judged.oftenByChance()).isCloseTo(beyond, within(1e-6));
        Finding found = typed.findings().stream()
                .filter(f -> f.code() == FindingCode.SET_RESIDUAL)
                .findFirst()
                .orElseThrow();
        assertThat(found.text()).contains("2.0\"").contains("Chance alone exceeds this limit in 1 of 3.");
        assertThat(found.limit()).hasValue(2 * Angles.SECOND);
        assertThat(typed.findings()).anySatisfy(f -> {
            assertThat(f.code()).isEqualTo(FindingCode.TYPED_LIMIT);
            assertThat(f.severity()).isEqualTo(Severity.NOTE);
        });
    }

    @Test
    void theTailOfTheNormalDistribution() {
        // Source: Hipparchus.
        for (double z : new double[] {0, 0.5, 1, 1.96, 3.29, 5}) {
            assertThat(Distributions.beyond(z))
                    .isCloseTo(2 * new NormalDistribution().cumulativeProbability(-z), within(3e-7));
        }
    }

    @Test
    void howOftenInWords() {
        assertThat(Words.often(1 / 6.0)).isEqualTo("1 of 6");
        assertThat(Words.often(0.83)).isEqualTo("8 of 10");
    }
}
