package markturn.survey.finding.words;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Units;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsAndLimitsTest {
    private static final List<Reading> TWO_SETS = all(
            pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
            pair("T1", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 50),
            pair("B", Role.BACKSIGHT, 2, "0-00-00", "180-00-00", 100),
            pair("T1", Role.FORESIGHT, 2, "90-00-24", "270-00-24", 50));

    private static Job job(ClassOfWork work, Units units) {
        return Jobs.with(TWO_SETS).with(units).with(work);
    }

    private static Judgement residual(ClassOfWork work) {
        SurveyResult result = Survey.compute(job(work, new Units(LengthUnit.METRE, AngleUnit.DMS)));
        return result.judgements().stream()
                .filter(j -> j.quantity() == Limit.SET_RESIDUAL && j.target().equals("T1"))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        // The table of classes; common practice, no source. Preset, limit, value as the table has it.
        "PRECISE, SETS, 4",
        "ENGINEERING, SETS, 2",
        "DETAIL, SETS, 1",
        "RECORD, SETS, 1",
        "PRECISE, COLLIMATION_SPREAD, 6",
        "ENGINEERING, SET_RESIDUAL, 5",
        "DETAIL, SET_RESIDUAL, 10",
        "RECORD, TILT, 30",
        "PRECISE, DISTANCE_SPREAD, 2",
        "ENGINEERING, DISTANCE_SPREAD, 3",
        "PRECISE, PLUMMET, 0.5",
        "RECORD, HEIGHT_TWICE, 10",
        "ENGINEERING, BACKSIGHT_DISTANCE, 6",
        "ENGINEERING, BACKSIGHT_ELEVATION, 10",
        "DETAIL, CLOSING_SIGHT, 20",
        "PRECISE, CLOSING_INTERVAL, 60",
        "DETAIL, CLOSING_INTERVAL, 120",
        "RECORD, BOTH_WAYS_ELEVATION, 40",
        "ENGINEERING, RESECTION_POSITION, 10",
        "DETAIL, SECOND_FIX_POSITION, 40",
        "DETAIL, SECOND_FIX_ELEVATION, 30",
        "ENGINEERING, ANGULAR_MISCLOSURE, 10",
        "PRECISE, LINEAR_MISCLOSURE, 20000",
        "RECORD, ELEVATION_MISCLOSURE, 15"
    })
    void theClassesAreTheTable(ClassOfWork.Preset preset, Limit limit, double value) {
        double unit = switch (limit.dimension()) {
            case ARC -> Angles.SECOND;
            case LENGTH -> 0.001;
            default -> 1;
        };
        assertThat(ClassOfWork.of(preset).limit(limit) / unit).isCloseTo(value, within(1e-9));
    }

    @Test
    void theLimitIsTheLargerOfClassAndChance() {
        // Source: normal distribution (Hipparchus). Two sets of 2": σ of a residual is 2"; eleven tests share 0.1 %.
        SurveyResult result = Survey.compute(
                job(ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), new Units(LengthUnit.METRE, AngleUnit.DMS)));
        int tests = result.judgements().size();
        double chance = -new NormalDistribution().inverseCumulativeProbability(0.001 / tests / 2) * 2;
        Judgement engineering = residual(ClassOfWork.of(ClassOfWork.Preset.ENGINEERING));
        assertThat(engineering.limit() / Angles.SECOND).isCloseTo(chance, within(1e-6));
        assertThat(engineering.chanceGoverns()).isTrue();
        assertThat(engineering.isOut()).isTrue();
        assertThat(engineering.beyond() / Angles.SECOND).isCloseTo(12 - chance, within(1e-6));
        Judgement record = residual(ClassOfWork.of(ClassOfWork.Preset.RECORD));
        assertThat(record.limit() / Angles.SECOND).isCloseTo(20, within(1e-9));
        assertThat(record.isOut()).isFalse();
    }

    @Test
    void aLimitOfOnesOwnReplacesTheClass() {
        Map<Limit, Double> own = new EnumMap<>(Map.of(Limit.SET_RESIDUAL, 15 * Angles.SECOND));
        Judgement judged = residual(new ClassOfWork(ClassOfWork.Preset.PRECISE, own));
        assertThat(judged.limit() / Angles.SECOND).isCloseTo(15, within(1e-9));
        assertThat(judged.isOut()).isFalse();
    }

    @Test
    void sentencesSpeakTheUnitsOfTheJob() {
        Words metric = new Words(new Units(LengthUnit.METRE, AngleUnit.DMS));
        assertThat(metric.difference(-0.0312)).isEqualTo("31 mm");
        assertThat(metric.difference(0.0042)).isEqualTo("4.2 mm");
        assertThat(metric.difference(12.5)).isEqualTo("12.50 m");
        assertThat(metric.small(-12.4 * Angles.SECOND)).isEqualTo("12\"");
        assertThat(metric.angle(Math.toRadians(180 + 10 / 60.0 + 2 / 3600.0))).isEqualTo("180°10'02\"");
        Words feet = new Words(new Units(LengthUnit.FOOT, AngleUnit.GON));
        // 0.01 m is 0.033 ft; 1" is 0.309 mgon. Source: definitions.
        assertThat(feet.difference(0.01)).isEqualTo("0.033 ft");
        assertThat(feet.small(Angles.SECOND)).isEqualTo("0.3 mgon");
        assertThat(feet.angle(Math.PI)).isEqualTo("200.0000 gon");
        SurveyResult gon = Survey.compute(
                job(ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), new Units(LengthUnit.METRE, AngleUnit.GON)));
        assertThat(gon.findings())
                .anyMatch(f -> f.code() == FindingCode.SET_RESIDUAL && f.text().contains("3.7 mgon"));
    }

    @Test
    void findingsAreOrderedByWhatStopsTheWorkAndNeverPraiseOrShout() {
        SurveyResult result = Survey.compute(
                job(ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), new Units(LengthUnit.METRE, AngleUnit.DMS)));
        assertThat(result.findings())
                .isSortedAccordingTo(
                        java.util.Comparator.comparing(Finding::severity).reversed());
        assertThat(result.findings())
                .allSatisfy(f -> assertThat(f.text())
                        .endsWith(".")
                        .doesNotContain("!")
                        .doesNotContainIgnoringCase("correct")
                        .doesNotContain("NaN"));
    }
}
