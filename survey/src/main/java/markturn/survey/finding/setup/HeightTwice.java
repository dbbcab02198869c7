package markturn.survey.finding.setup;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A height taped twice whose two values disagree. */
final class HeightTwice implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.HEIGHT_TWICE)
                .map(out -> Finding.of(
                                FindingCode.HEIGHT_TWICE,
                                Severity.WARN,
                                out.setup(),
                                out.target(),
                                "The two tapings of the %s differ by %s; limit %s. Tape it a third time and look where the tape ends; the mean of the two is used until then."
                                        .formatted(
                                                out.target().isEmpty()
                                                        ? "instrument height"
                                                        : "target height at " + out.target(),
                                                evidence.words().difference(out.value()),
                                                evidence.words().difference(out.limit())))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
