package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A set that departs from the mean of the sets. */
final class SetResidual implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.SET_RESIDUAL)
                .map(out -> Finding.of(
                                FindingCode.SET_RESIDUAL,
                                Severity.STOP,
                                out.setup(),
                                out.target(),
                                "Set %d of %s departs from the mean by %s, over its limit of %s by %s. Observe the set again, or strike it out with a reason."
                                        .formatted(
                                                out.set().getAsInt(),
                                                out.target(),
                                                evidence.words().small(out.value()),
                                                evidence.words().small(out.limit()),
                                                evidence.words().small(out.beyond())))
                        .inSet(out.set().getAsInt())
                        .with(Measure.ARC, out.value(), out.limit()));
    }
}
