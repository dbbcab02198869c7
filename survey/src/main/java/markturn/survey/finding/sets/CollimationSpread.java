package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** The collimation varies more over the setup than pointing allows. */
final class CollimationSpread implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.COLLIMATION_SPREAD)
                .map(out -> Finding.of(
                                FindingCode.COLLIMATION_SPREAD,
                                Severity.WARN,
                                out.setup(),
                                "",
                                "The collimation spreads over %s in this setup; limit %s. A constant collimation is harmless, its spread is pointing: look at focus, parallax and the steadiness of the legs."
                                        .formatted(
                                                evidence.words().small(out.value()),
                                                evidence.words().small(out.limit())))
                        .with(Measure.ARC, out.value(), out.limit()));
    }
}
