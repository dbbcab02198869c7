package markturn.survey.finding.standing;

import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.judgement.Judgement.Verdict;
import markturn.survey.finding.standing.CheckTable.Row;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

/** The table of checks. A stands at 1000, 5000; C 200 m east of it; the point p 50 m from A. */
class CheckTableTest {
    private static Job job(String again) {
        Job job = Jobs.with(List.of(
                        reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100.0),
                        reading("p", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50.0)))
                .plus(Mark.named("p", Mark.Kind.LOCATED));
        Setup setup = Jobs.setup(
                "S2",
                "C",
                "A",
                List.<Reading>of(
                        reading("A", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 200.0),
                        reading("p", Role.CHECK, 0, Face.LEFT, "0-00-00", "90-00-00", Double.parseDouble(again))));
        return job.plus(setup);
    }

    private static Row only(SurveyResult result) {
        List<Row> rows = CheckTable.of(result.job(), result.measured(), result.judgements());
        assertThat(rows).hasSize(1);
        return rows.get(0);
    }

    @Test
    void aCheckIsHeldAgainstBothPrecisions() {
        Row within = only(Survey.compute(job("150.004")));
        assertThat(within.verdict()).contains(Verdict.WITHIN_CHANCE);
        // Class engineering: 15 mm (practice, 10); both precisions together stay below.
        assertThat(within.planLimit().getAsDouble()).isCloseTo(0.015, within(1e-9));
        // Along the line only the two distances and centrings matter: 2 mm + 2 ppm each, three centrings of 1 mm and
        // the pole's twice.
        double first = 0.002 * 0.002 + Math.pow(50 * 2e-6, 2) + 2e-6;
        double second = 0.002 * 0.002 + Math.pow(150 * 2e-6, 2) + 2e-6;
        assertThat(within.planMissed().getAsDouble()).isCloseTo(4.13 * Math.sqrt(first + second), within(2e-4));
        assertThat(within.blind()).contains("another station");
        assertThat(CheckTable.sentence(List.of(within))).isEqualTo("1 check, none over its limit.");
    }

    @Test
    void whatDiffersComesFirstAndMayBeDecided() {
        Row out = only(Survey.compute(job("150.060")));
        assertThat(out.verdict()).contains(Verdict.OVER_LIMIT);
        assertThat(out.decidable()).isTrue();
        assertThat(out.decided()).isEmpty();
        Job decided = job("150.060")
                .plus(new Decision(
                        Optional.empty(),
                        "ida",
                        Decision.SECOND_SIGHT,
                        Map.of("mark", "p", "setup", "S2", "how", "replace"),
                        "pole was out of plumb",
                        Optional.empty(),
                        Optional.empty()));
        Row after = only(Survey.compute(decided));
        assertThat(after.check().from()).isEqualTo("S1");
        assertThat(after.first()).isEqualTo("S2");
        assertThat(after.decided()).contains(Decision.SecondSight.REPLACE);
    }

    @Test
    void aSightFromTheSameSetupTestsOnlyThePointing() {
        Job job = Jobs.with(List.of(
                        reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100.0),
                        reading("p", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50.0),
                        reading("T1", Role.FORESIGHT, 0, Face.LEFT, "80-00-00", "90-00-00", 50.0),
                        reading("p", Role.CHECK, 0, Face.LEFT, "90-00-00", "90-00-00", 50.0)))
                .plus(Mark.named("p", Mark.Kind.LOCATED));
        Row row = only(Survey.compute(job));
        assertThat(row.blind()).contains("same setup");
        assertThat(CheckTable.sentence(List.of(row))).contains("only the pointing");
    }
}
