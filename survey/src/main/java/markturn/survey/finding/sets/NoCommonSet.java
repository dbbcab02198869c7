package markturn.survey.finding.sets;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.result.MeasuredSetup;

/** A target that was never turned in a set together with the zero sight. */
final class NoCommonSet implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        Set<String> told = new HashSet<>();
        return setup.shots().stream()
                .filter(s -> s.direction().isEmpty() && told.add(s.fix().target()))
                .map(s -> Finding.of(
                        FindingCode.NO_COMMON_SET,
                        Severity.STOP,
                        setup.name(),
                        s.fix().target(),
                        "%s was never sighted on a circle that also holds %s, so it has no direction. Turn both in one set."
                                .formatted(
                                        s.fix().target(),
                                        setup.setup().orientation().zero())));
    }
}
