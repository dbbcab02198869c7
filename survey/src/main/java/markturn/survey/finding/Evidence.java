package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/** What a rule looks at. */
record Evidence(Job job, Measured measured, List<Judgement> judgements) {
    /** Numbers in this job's units. */
    Words words() {
        return new Words(job.units());
    }

    /** What is beyond its limit. */
    Stream<Judgement> out(Limit quantity) {
        return judgements.stream().filter(j -> j.quantity() == quantity && j.isOut());
    }

    Stream<MeasuredSetup> setups() {
        return measured.setups().stream();
    }

    /** The position of a mark by any of its names. */
    Optional<Position> position(String name) {
        return measured.mark(job.trueName(name)).flatMap(m -> m.position());
    }
}
