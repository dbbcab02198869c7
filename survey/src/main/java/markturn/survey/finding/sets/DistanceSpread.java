package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** Distances to one target that differ from set to set. */
final class DistanceSpread implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.DISTANCE_SPREAD)
                .map(out -> Finding.of(
                                FindingCode.DISTANCE_SPREAD,
                                Severity.WARN,
                                out.setup(),
                                out.target(),
                                "The distances to %s spread over %s; limit %s. Measure it again: look at the reflector, and for anything in the line."
                                        .formatted(
                                                out.target(),
                                                evidence.words().difference(out.value()),
                                                evidence.words().difference(out.limit())))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
