package markturn.survey.finding;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.result.Resected.Suspicion;

/** A mark that does not fit the others; or marks of which it cannot be told which does not. */
final class MarkDisagrees implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().suspicion().isPresent())
                .filter(free -> free.resected().swapped().isEmpty() && !ScaleSuspect.explains(evidence, free))
                .map(free -> {
                    Suspicion suspicion = free.resected().suspicion().get();
                    return suspicion.azimuth().isPresent()
                                    && suspicion.targets().size() == 1
                            ? one(evidence, free, suspicion)
                            : several(evidence, free, suspicion);
                });
    }

    private static Finding one(Evidence evidence, Free free, Suspicion suspicion) {
        String target = suspicion.targets().get(0);
        List<Sighted> others =
                free.used().stream().filter(s -> !s.target().equals(target)).toList();
        double agree = others.stream()
                .flatMap(one -> free.resected().pairs().stream()
                        .filter(p -> !p.one().equals(target) && !p.other().equals(target)))
                .mapToDouble(p -> Math.abs(p.difference()))
                .max()
                .orElse(0);
        boolean checked = free.setup().leaveOneOut().stream()
                .anyMatch(l -> l.target().equals(target) && l.varianceFactor().isPresent());
        String names = Free.names(others.stream().map(Sighted::target).toList());
        return Finding.of(
                        "mark-disagrees",
                        Severity.STOP,
                        free.name(),
                        target,
                        "%s does not fit: seen from here it lies %s %s of its coordinates. %s. Point at %s again, look whether it leans and at its target's height, then leave it out with a reason."
                                .formatted(
                                        target,
                                        evidence.words().difference(suspicion.shift()),
                                        Words.compass(suspicion.azimuth().getAsDouble()),
                                        checked
                                                ? "%s agree within %s and still check each other"
                                                        .formatted(
                                                                names,
                                                                evidence.words().difference(agree))
                                                : "Without it nothing is left to check: then sight "
                                                        + free.nextSight(evidence),
                                        target))
                .with(Measure.LENGTH, suspicion.shift(), suspicion.limit());
    }

    private static Finding several(Evidence evidence, Free free, Suspicion suspicion) {
        return Finding.of(
                        "marks-disagree",
                        Severity.STOP,
                        free.name(),
                        suspicion.targets().get(0),
                        "About %s is wrong at %s, and these marks cannot tell which moved. %s would decide it."
                                .formatted(
                                        evidence.words().difference(suspicion.shift()),
                                        Free.names(suspicion.targets()).replace(" and ", " or "),
                                        capital(free.nextSight(evidence))))
                .with(Measure.LENGTH, suspicion.shift(), suspicion.limit());
    }

    private static String capital(String text) {
        return text.startsWith("one ") ? "O" + text.substring(1) : "A sight of " + text;
    }
}
