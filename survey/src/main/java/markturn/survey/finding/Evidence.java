package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * What a rule looks at.
 *
 * @param stations the free stations that have a position, which many rules look at
 * @param out the judgements that are beyond their limits: of thousands few, and every rule asks for its own
 */
record Evidence(
        Job job,
        Measured measured,
        List<Judgement> judgements,
        List<Judgement> out,
        List<FreeStationEvidence> stations) {
    Evidence(Job job, Measured measured, List<Judgement> judgements) {
        this(
                job,
                measured,
                judgements,
                judgements.stream().filter(Judgement::isOut).toList(),
                FreeStationEvidence.of(measured));
    }

    /** Numbers in this job's units. */
    Words words() {
        return new Words(job.units());
    }

    /** What is beyond its limit. */
    Stream<Judgement> out(Limit quantity) {
        return out.stream().filter(j -> j.quantity() == quantity);
    }

    Stream<FreeStationEvidence> freeStations() {
        return stations.stream();
    }

    Stream<MeasuredSetup> setups() {
        return measured.setups().stream();
    }

    /** The position of a mark by any of its names. */
    Optional<Position> position(String name) {
        return measured.mark(job.trueName(name)).flatMap(m -> m.position());
    }
}
