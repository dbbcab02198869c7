package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.result.Resected.Sighted;

/** A resection on two marks: one thing is checked, the distance between them. */
final class TwoMarks implements Rule {
    /** A sideways shift to speak of, metres: what a knocked peg moves. */
    private static final double SHIFT = 0.030;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.used().size() == 2)
                .map(free -> Finding.of(
                        FindingCode.TWO_MARKS,
                        Severity.WARN,
                        free.name(),
                        "",
                        "Small residuals prove little here: two marks leave %s. %sNext: sight %s."
                                .formatted(
                                        free.resected().redundancy() == 0
                                                ? "nothing to check"
                                                : "one thing to check, the distance between them",
                                        hidden(evidence, free),
                                        free.nextSight(evidence))));
    }

    private static String hidden(Evidence evidence, FreeStationEvidence free) {
        Sighted worst = free.used().stream()
                .filter(s -> s.sideways().isPresent())
                .max(java.util.Comparator.comparingDouble(s -> s.sideways().getAsDouble()))
                .orElse(null);
        return worst == null
                ? ""
                : "%s moved %s sideways would not show, and would shift this station about %s. "
                        .formatted(
                                worst.target(),
                                evidence.words().difference(SHIFT),
                                evidence.words()
                                        .difference(SHIFT * worst.sideways().getAsDouble()));
    }
}
