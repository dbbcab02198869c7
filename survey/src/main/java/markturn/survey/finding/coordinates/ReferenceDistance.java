package markturn.survey.finding.coordinates;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement.Verdict;

/** A reference pair that a setup measures otherwise than it is known. */
final class ReferenceDistance implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return ReferenceComparison.of(evidence.job(), evidence.measured()).stream()
                .filter(c -> c.verdict() != Verdict.WITHIN_CHANCE)
                .map(c -> Finding.of(
                                FindingCode.REFERENCE_DISTANCE,
                                c.verdict() == Verdict.OVER_LIMIT ? Severity.STOP : Severity.WARN,
                                c.setup(),
                                c.pair().other(),
                                "%s Limit %s. %s"
                                        .formatted(
                                                c.sentence(evidence.words()),
                                                evidence.words().difference(c.limit()),
                                                c.height()
                                                        ? "Look at both target heights."
                                                        : "It needs no coordinates: look at the reflector constant, what is keyed in, and the tape."))
                        .with(Measure.LENGTH, c.difference(), c.limit()));
    }
}
