package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Setup;

/** A free station that nothing checks: angles to three marks and no more, or marks left out until nothing was left. Two marks have a rule of their own. */
final class StationUnchecked implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().redundancy() == 0)
                .flatMap(free -> {
                    boolean leftOut = free.setup().setup().orientation() instanceof Setup.ByResection by
                            && !by.leaveOut().isEmpty();
                    if (leftOut) {
                        return Stream.of(found(
                                evidence,
                                free,
                                Severity.STOP,
                                "With what is left out, nothing is left to check this station"));
                    }
                    return free.used().size() < 3
                            ? Stream.empty()
                            : Stream.of(found(
                                    evidence,
                                    free,
                                    Severity.WARN,
                                    "These sights fix this station and nothing checks it"));
                });
    }

    private static Finding found(Evidence evidence, FreeStationEvidence free, Severity severity, String what) {
        return Finding.of(
                FindingCode.NOTHING_CHECKED,
                severity,
                free.name(),
                "",
                "%s: any error goes straight into it, and residuals of zero prove nothing. What cures it: sight %s."
                        .formatted(what, free.nextSight(evidence)));
    }
}
