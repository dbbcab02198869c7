package markturn.survey.finding.base;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * What a rule looks at.
 *
 * @param stations the free stations that have a position, which many rules look at
 * @param beyondChance the judgements that chance does not explain: of thousands few, and every rule asks for its own
 * @param out those of them that are beyond their limits
 */
public record Evidence(
        Job job,
        Measured measured,
        List<Judgement> judgements,
        List<Judgement> beyondChance,
        List<Judgement> out,
        List<FreeStationEvidence> stations) {
    public Evidence(Job job, Measured measured, List<Judgement> judgements) {
        this(
                job,
                measured,
                judgements,
                judgements.stream()
                        .filter(j -> j.verdict() != Judgement.Verdict.WITHIN_CHANCE)
                        .toList(),
                FreeStationEvidence.of(measured));
    }

    private Evidence(
            Job job,
            Measured measured,
            List<Judgement> judgements,
            List<Judgement> beyondChance,
            List<FreeStationEvidence> stations) {
        this(
                job,
                measured,
                judgements,
                beyondChance,
                beyondChance.stream().filter(Judgement::isOut).toList(),
                stations);
    }

    /** What a rule for one setup sees of it. */
    public SetupEvidence of(MeasuredSetup setup) {
        return new SetupEvidence(job.seenFrom(setup.setup()), setup);
    }

    /** Numbers in this job's units. */
    public Words words() {
        return new Words(job.units());
    }

    /** What is beyond its limit. */
    public Stream<Judgement> out(Limit quantity) {
        return out.stream().filter(j -> j.quantity() == quantity);
    }

    public Stream<FreeStationEvidence> freeStations() {
        return stations.stream();
    }

    public Stream<MeasuredSetup> setups() {
        return measured.setups().stream();
    }

    /** The position of a mark by any of its names. */
    public Optional<Position> position(String name) {
        return measured.mark(job.trueName(name)).flatMap(m -> m.position());
    }
}
