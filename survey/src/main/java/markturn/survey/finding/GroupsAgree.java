package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;

/** Marks that fall into two groups, each consistent in itself and not with the other. */
final class GroupsAgree implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().groups().size() == 2)
                .map(free -> Finding.of(
                        FindingCode.GROUPS_AGREE,
                        Severity.WARN,
                        free.name(),
                        "",
                        "%s agree among themselves, and so do %s, but not with each other: ask which group comes from another survey, or was moved together. Next: sight %s."
                                .formatted(
                                        FreeStationEvidence.names(
                                                free.resected().groups().get(0)),
                                        FreeStationEvidence.names(
                                                free.resected().groups().get(1)),
                                        free.nextSight(evidence))));
    }
}
