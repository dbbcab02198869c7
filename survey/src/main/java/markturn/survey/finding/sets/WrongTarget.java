package markturn.survey.finding.sets;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/** A pointing that misses its own target by far and falls on another one. */
final class WrongTarget implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        List<Judgement> out = evidence.out(Limit.SECOND_FIX_POSITION).toList();
        return out.isEmpty() ? Stream.empty() : evidence.setups().flatMap(setup -> onAnother(evidence, out, setup));
    }

    /** A single check whose place is not that of its own mark but of another known one. */
    private static Stream<Finding> onAnother(Evidence evidence, List<Judgement> all, MeasuredSetup setup) {
        return all.stream()
                .filter(out -> out.setup().equals(setup.name()))
                .flatMap(out -> setup.shots().stream()
                        .filter(shot ->
                                shot.position().isPresent() && shot.mark().equals(out.target()))
                        .flatMap(shot -> fitting(evidence, shot, out).stream()));
    }

    private static Optional<Finding> fitting(Evidence evidence, Shot shot, Judgement out) {
        Position seen = shot.position().orElseThrow();
        return evidence.measured().marks().stream()
                .filter(m -> !m.name().equals(out.target()) && m.position().isPresent())
                .filter(m -> seen.distanceTo(m.position().get()) <= out.limit())
                .findFirst()
                .map(m -> Finding.of(
                                FindingCode.WRONG_TARGET,
                                Severity.STOP,
                                out.setup(),
                                out.target(),
                                "What is booked as %s lies %s from it, and within %s of %s. Likeliest: %s was sighted. Strike it out and point again."
                                        .formatted(
                                                out.target(),
                                                evidence.words().difference(out.value()),
                                                evidence.words()
                                                        .difference(seen.distanceTo(
                                                                m.position().get())),
                                                m.name(),
                                                m.name()))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
