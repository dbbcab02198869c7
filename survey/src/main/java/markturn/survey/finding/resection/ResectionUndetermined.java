package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;

/** A free station that the sights do not place, or place twice. */
final class ResectionUndetermined implements SetupRule {
    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        return setup.resected().filter(r -> r.swapped().isEmpty()).flatMap(Resected::undetermined).stream()
                .map(why -> Finding.of(
                        FindingCode.RESECTION_UNDETERMINED,
                        Severity.STOP,
                        setup.name(),
                        "",
                        "%s has no position yet: %s.".formatted(setup.setup().station(), why)));
    }
}
