package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.result.MeasuredTraverse;

/** Where a traverse that does not close may be wrong: the one thing that explains it. */
final class BlunderSuspect implements Rule {
    private static final int MOST = 5;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().traverses().stream()
                .filter(t -> TraverseLimits.isOut(evidence.job(), t))
                .flatMap(t -> found(evidence, t).stream());
    }

    private static Optional<Finding> found(Evidence evidence, MeasuredTraverse of) {
        List<Suspects.Said> suspects = Suspects.of(evidence.job(), evidence.measured(), of);
        if (suspects.isEmpty()) {
            return Optional.empty();
        }
        String which = suspects.stream()
                .limit(MOST)
                .map(s -> "%s by %s%s".formatted(s.what(), s.size(), s.hint().isEmpty() ? "" : " (" + s.hint() + ")"))
                .collect(Collectors.joining("; or "));
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
}
