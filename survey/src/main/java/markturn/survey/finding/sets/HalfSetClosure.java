package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A half-set that does not close on the target it began with: the circle moved while it was turned. */
final class HalfSetClosure implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.HALF_SET_CLOSURE)
                .map(out -> Finding.of(
                                FindingCode.HALF_SET_CLOSURE,
                                Severity.STOP,
                                out.setup(),
                                out.target(),
                                "Set %d: %s read %s %s when it was sighted again on the same face; limit %s. The circle moved meanwhile. Strike this half-set out, look at legs and bubble, and begin the set anew."
                                        .formatted(
                                                out.set().getAsInt(),
                                                out.target(),
                                                evidence.words().small(out.value()),
                                                out.value() > 0 ? "more" : "less",
                                                evidence.words().small(out.limit())))
                        .with(Measure.ARC, out.value(), out.limit()));
    }
}
