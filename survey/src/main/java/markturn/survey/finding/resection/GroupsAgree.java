package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;

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
                                        Words.names(free.resected().groups().get(0)),
                                        Words.names(free.resected().groups().get(1)),
                                        free.nextSight(evidence))));
    }
}
