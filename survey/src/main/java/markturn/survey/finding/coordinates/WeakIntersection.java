package markturn.survey.finding.coordinates;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;

/** A mark intersected by lines that cross at a narrow angle. Bound: common practice, no source. */
final class WeakIntersection implements Rule {
    private static final double NARROW = Math.toRadians(30);

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().marks().intersected().stream()
                .filter(mark -> mark.mark().by().isEmpty() && mark.adjustedBy().isEmpty())
                .flatMap(mark -> judge(evidence, mark));
    }

    private static Stream<Finding> judge(Evidence evidence, MeasuredMark mark) {
        Position at = mark.position().orElseThrow();
        List<Double> azimuths = new ArrayList<>();
        evidence.setups()
                .filter(setup -> setup.station().isPresent()
                        && setup.shots().stream().anyMatch(s -> s.mark().equals(mark.name())))
                .forEach(setup -> azimuths.add(setup.station().get().azimuthTo(at)));
        double widest = 0;
        for (double one : azimuths) {
            for (double other : azimuths) {
                widest = Math.max(widest, Math.asin(Math.abs(Math.sin(one - other))));
            }
        }
        return widest >= NARROW
                ? Stream.empty()
                : Stream.of(Finding.of(
                                FindingCode.WEAK_INTERSECTION,
                                Severity.WARN,
                                "",
                                mark.name(),
                                "The lines to %s cross at %s°: along them it is known to %s only. Sight it from further aside, or measure a distance to it."
                                        .formatted(
                                                mark.name(),
                                                Words.degrees(widest),
                                                evidence.words()
                                                        .difference(at.plan()
                                                                .ellipse()
                                                                .semiMajor())))
                        .with(Measure.ARC, widest, NARROW));
    }
}
