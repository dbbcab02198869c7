package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Job;

/** A control mark that is used although it was found leaning, loose or not at all. */
final class MarkFound implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().marks().disturbed().stream()
                .filter(m -> isUsed(evidence.job(), m.name()))
                .map(m -> Finding.of(
                        FindingCode.MARK_FOUND,
                        Severity.WARN,
                        "",
                        m.name(),
                        "%s was noted as %s and is used. Rest nothing on it that another mark does not confirm."
                                .formatted(m.name(), m.found().get().key())));
    }

    private static boolean isUsed(Job job, String mark) {
        return job.setups().stream()
                .anyMatch(s -> job.trueName(s.station()).equals(mark)
                        || s.orientation().sights().stream().map(job::trueName).anyMatch(mark::equals));
    }
}
