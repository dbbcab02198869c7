package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** The vertical index varies more over the setup than pointing allows. */
final class IndexSpread implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.INDEX_SPREAD)
                .map(out -> Finding.of(
                                FindingCode.INDEX_SPREAD,
                                Severity.WARN,
                                out.setup(),
                                "",
                                "The vertical index spreads over %s in this setup; limit %s. Look at the bubble, the compensator and what was sighted on each face."
                                        .formatted(
                                                evidence.words().small(out.value()),
                                                evidence.words().small(out.limit())))
                        .with(Measure.ARC, out.value(), out.limit()));
    }
}
