package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.result.MeasuredTraverse;

/** Where a traverse that does not close may be wrong: the one angle, or the one length, that explains it. */
final class BlunderSuspect implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().traverses().stream()
                .filter(t -> TraverseLimits.isOut(evidence.job(), t))
                .flatMap(t -> found(evidence, t).stream());
    }

    private static Optional<Finding> found(Evidence evidence, MeasuredTraverse of) {
        List<Suspects.Suspect> suspects = Suspects.of(of, TraverseLimits.linear(evidence.job(), of));
        if (suspects.isEmpty()) {
            return Optional.empty();
        }
        String which = suspects.stream().map(s -> words(evidence, s)).collect(Collectors.joining("; or "));
        String proof = suspects.size() == 1
                ? "Observe it again: that decides it."
                : "They cannot be told apart by this figure: observe each again, the first one first.";
        return Optional.of(Finding.of(
                "blunder-suspect",
                Severity.WARN,
                "",
                suspects.get(0).from(),
                "%s would close with one thing changed: %s. %s".formatted(of.name(), which, proof)));
    }

    private static String words(Evidence evidence, Suspects.Suspect suspect) {
        return suspect.isAngle()
                ? "the angle at %s by %s (leaving %s)"
                        .formatted(
                                suspect.from(),
                                evidence.words().small(suspect.error()),
                                evidence.words().difference(suspect.left()))
                : "the length %s to %s by %s (leaving %s)"
                        .formatted(
                                suspect.from(),
                                suspect.to(),
                                evidence.words().difference(suspect.error()),
                                evidence.words().difference(suspect.left()));
    }
}
