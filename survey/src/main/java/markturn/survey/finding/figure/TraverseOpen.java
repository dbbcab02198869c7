package markturn.survey.finding.figure;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;

/** A traverse that does not end on a mark with coordinates of its own, or cannot be carried at all. */
final class TraverseOpen implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().traverses().stream()
                .filter(t -> t.northing().isEmpty())
                .map(t -> Finding.of(
                        FindingCode.OPEN_TRAVERSE,
                        Severity.WARN,
                        "",
                        t.traverse().route().get(t.traverse().route().size() - 1),
                        t.why().isPresent()
                                ? "%s cannot be carried: %s."
                                        .formatted(t.name(), t.why().get())
                                : "%s is open: it ends on %s, which has no coordinates of its own, so nothing checks it. Close it on a known mark."
                                        .formatted(
                                                t.name(),
                                                t.traverse()
                                                        .route()
                                                        .get(t.traverse()
                                                                        .route()
                                                                        .size()
                                                                - 1))));
    }
}
