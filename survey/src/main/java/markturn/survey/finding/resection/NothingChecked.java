package markturn.survey.finding.resection;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredMark;

/** New coordinates, and nothing in the job that tests any of them independently. */
final class NothingChecked implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        if (evidence.measured().checks().stream()
                .anyMatch(c -> c.northingDifference().isPresent() && isIndependent(evidence, c))) {
            return Stream.empty();
        }
        List<MeasuredMark> carried = evidence.measured().marks().measured().stream()
                .filter(m -> m.from().isPresent() && m.position().isPresent())
                .toList();
        if (carried.isEmpty()) {
            return Stream.empty();
        }
        return Stream.of(Finding.of(
                FindingCode.NOTHING_CHECKED,
                Severity.WARN,
                "",
                "",
                "%d %s, and nothing in this job tests any of them independently. Sight a known mark that was not used, or fix one of them again from another setup."
                        .formatted(
                                carried.size(),
                                carried.size() == 1 ? "mark has new coordinates" : "marks have new coordinates")));
    }

    /** A closing sight on the mark that oriented the setup tests the circle, not the coordinates. */
    private static boolean isIndependent(Evidence evidence, Check check) {
        return evidence.job()
                .setup(check.from())
                .map(s -> s.orientation().sights().stream()
                        .map(evidence.job()::trueName)
                        .noneMatch(check.mark()::equals))
                .orElse(true);
    }
}
