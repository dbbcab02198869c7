package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Setup;

/** Marks left out until nothing is left to check: allowed, and said. */
final class LeftOutUnchecked implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().redundancy() == 0)
                .filter(free -> free.setup().setup().orientation() instanceof Setup.ByResection by
                        && !by.leaveOut().isEmpty())
                .map(free -> Finding.of(
                        "nothing-checked",
                        Severity.STOP,
                        free.name(),
                        "",
                        "With what is left out, nothing is left to check this station: any error goes straight into it. What cures it: sight %s."
                                .formatted(free.nextSight(evidence))));
    }
}
