package markturn.survey.finding.figure;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.TraverseLimits;
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
        Optional<Suspects.Elsewhere> elsewhere = Suspects.endElsewhere(evidence.job(), evidence.measured(), of);
        if (elsewhere.isPresent()) {
            String mark = elsewhere.get().mark();
            return Optional.of(suspected(
                    mark,
                    "The carried end of %s lies %s from %s: the last sight may have gone there. Look at the mark on the ground, then end the figure on it."
                            .formatted(
                                    of.name(),
                                    evidence.words().difference(elsewhere.get().distance()),
                                    mark)));
        }
        List<Suspects.SuspectWords> suspects = Suspects.explained(evidence.job(), evidence.measured(), of);
        if (suspects.isEmpty()) {
            return Optional.empty();
        }
        String which = suspects.stream()
                .limit(MOST)
                .map(s -> "%s by %s%s".formatted(s.what(), s.size(), s.hint().isEmpty() ? "" : " (" + s.hint() + ")"))
                .collect(Collectors.joining("; or "));
        return Optional.of(suspected(
                suspects.get(0).from(),
                suspects.get(0).enough()
                        ? "%s would close with one thing changed: %s. %s"
                                .formatted(
                                        of.name(),
                                        which,
                                        suspects.size() == 1
                                                ? "Observe it again: that decides it."
                                                : "They cannot be told apart by this figure: observe each again, the first one first.")
                        : "No one thing changed lets %s close: two are wrong, or a sight went to another mark. The most is explained by %s."
                                .formatted(of.name(), which)));
    }

    private static Finding suspected(String target, String text) {
        return Finding.of(FindingCode.BLUNDER_SUSPECT, Severity.WARN, "", target, text);
    }
}
