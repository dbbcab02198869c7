package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/** A backsight distance that does not fit its mark but fits another one. */
final class BacksightOtherMark implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.BACKSIGHT_DISTANCE).flatMap(out -> {
            MeasuredSetup setup = evidence.measured().setup(out.setup());
            if (setup.booked().isOnWrongFace(out.target())) {
                return Stream.empty();
            }
            Position station = setup.station().orElseThrow();
            double measured = station.distanceTo(evidence.position(out.target()).orElseThrow()) + out.value();
            String itself = evidence.job().trueName(out.target());
            return evidence.measured().marks().stream()
                    .filter(m ->
                            m.mark().kind() == Mark.Kind.CONTROL && !m.name().equals(itself))
                    .filter(m -> !m.name()
                            .equals(evidence.job().trueName(setup.setup().station())))
                    .filter(m -> m.position().isPresent())
                    .filter(m -> Math.abs(station.distanceTo(m.position().get()) - measured) <= out.limit())
                    .findFirst()
                    .stream()
                    .map(m -> Finding.of(
                                    FindingCode.BACKSIGHT_OTHER_MARK,
                                    Severity.STOP,
                                    setup.name(),
                                    out.target(),
                                    "The distance booked for %s fits %s within %s. Likeliest: %s was sighted. Look through the telescope."
                                            .formatted(
                                                    out.target(),
                                                    m.name(),
                                                    evidence.words()
                                                            .difference(station.distanceTo(m.position()
                                                                            .get())
                                                                    - measured),
                                                    m.name()))
                            .with(Measure.LENGTH, out.value(), out.limit()));
        });
    }
}
