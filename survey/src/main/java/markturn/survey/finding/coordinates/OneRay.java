package markturn.survey.finding.coordinates;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;

/** New control that rests on one ray only. */
final class OneRay implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        Set<String> checked = evidence.measured().checks().stream()
                .filter(c -> c.northingDifference().isPresent())
                .map(Check::mark)
                .collect(Collectors.toSet());
        return evidence.measured().marks().newControl().stream()
                .filter(m -> m.position().isPresent() && m.from().isPresent())
                .filter(m -> m.adjustedBy().isEmpty() && !isFreeStation(evidence, m))
                .filter(m -> !checked.contains(m.name()) && !m.from().get().equals(MeasuredSetup.SEVERAL))
                .map(m -> Finding.of(
                        FindingCode.ONE_RAY,
                        Severity.WARN,
                        evidence.job().setup(m.from().get()).isEmpty()
                                ? ""
                                : m.from().get(),
                        m.name(),
                        "%s is seen from one setup only, %s: a slip there would not show. Sight it from a second setup before anything is built on it."
                                .formatted(m.name(), m.from().get())));
    }

    /** A free station is fixed by all its marks together; what that proves is said there. */
    private static boolean isFreeStation(Evidence evidence, MeasuredMark mark) {
        return mark.from()
                .flatMap(evidence.job()::setup)
                .filter(s -> s.isFree() && evidence.job().trueName(s.station()).equals(mark.name()))
                .isPresent();
    }
}
