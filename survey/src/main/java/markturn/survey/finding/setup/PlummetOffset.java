package markturn.survey.finding.setup;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** An instrument that stands beside its mark by more than its class allows. */
final class PlummetOffset implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.PLUMMET)
                .map(out -> Finding.of(
                                FindingCode.PLUMMET_OFFSET,
                                Severity.WARN,
                                out.setup(),
                                "",
                                "The plummet stood %s beside the mark; limit %s. Slide the instrument over the mark, level again, and look at the plummet once more."
                                        .formatted(
                                                evidence.words().difference(out.value()),
                                                evidence.words().difference(out.limit())))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
