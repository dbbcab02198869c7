package markturn.survey.finding.figure;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;

/** A new mark where a known one stands: the closing sight may have been booked under another name. Proposed, never taken silently. */
final class ClosingAlias implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return OtherNames.of(evidence.measured()).stream()
                .map(like -> Finding.of(
                                FindingCode.CLOSING_ALIAS,
                                Severity.WARN,
                                evidence.job().setup(like.from()).isEmpty() ? "" : like.from(),
                                like.mark(),
                                "%s, carried from %s, lies %s from %s, and chance alone allows %s. If it is that mark under another name, say so where the figure is closed; nothing is renamed. A witness mark stands close too: look on the ground first."
                                        .formatted(
                                                like.mark(),
                                                like.from(),
                                                evidence.words().difference(like.distance()),
                                                like.fixed(),
                                                evidence.words().difference(like.limit())))
                        .with(Measure.LENGTH, like.distance(), like.limit()));
    }
}
