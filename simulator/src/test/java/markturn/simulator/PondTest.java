package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.standing.Glance;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredTraverse;
import org.junit.jupiter.api.Test;

/** The demo's figure about the pond: it closes; its first attempt, struck out and kept, did not. The truth is the demo's own world. */
class PondTest {
    private static MeasuredTraverse pond(Job job) {
        return Survey.compute(job).measured().traverses().get(0);
    }

    @Test
    void itClosesWell() {
        Job job = AlderWeir.job();
        MeasuredTraverse run = pond(job);
        assertThat(run.linear().orElseThrow()).isLessThan(TraverseLimits.linear(job, run) / 2);
        assertThat(TraverseLimits.isOut(job, run)).isFalse();
    }

    // Pillar 4 was knocked by a digger: its distance was compared, and that proves nothing of it.
    @Test
    void aMarkThatDoesNotFitIsNotProved() {
        Job job = AlderWeir.job();
        SurveyResult result = Survey.compute(job);
        Glance glance = Glance.of(job, result.measured(), result.judgements(), result.findings());
        assertThat(glance.proved())
                .extracting(s -> s.mark().name())
                .contains("PILLAR 1")
                .doesNotContain("PILLAR 4");
        assertThat(glance.untested()).extracting(s -> s.mark().name()).contains("PILLAR 4");
    }

    @Test
    void itsFirstAttemptIsInTheRecordAndDidNot() {
        Job job = AlderWeir.job();
        List<Reading> first = job.setup("S2").orElseThrow().readings().stream()
                .filter(r -> r.struck()
                        .filter(why -> why.startsWith("first attempt"))
                        .isPresent())
                .toList();
        assertThat(first).hasSize(4);
        // As it stood then: the first set, and nothing of what was turned afterwards.
        Job then = job.withSetup(
                "S2",
                s -> s.withReadings(Stream.concat(
                                first.stream().map(Reading::restored),
                                s.readings().stream().filter(r -> r.role() == Reading.Role.DETAIL))
                        .toList()));
        MeasuredTraverse run = pond(then);
        assertThat(TraverseLimits.isOut(then, run)).isTrue();
        assertThat(run.linear().orElseThrow()).isGreaterThan(1);
        // And the program says where it was.
        assertThat(run.suspects().get(0).what().setup()).isEqualTo("S2");
    }
}
