package markturn.survey.finding;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.finding.Finding.Severity;

/**
 * One cause, one stop (practice, 10): what another finding on the same target explains is kept as a note that says so. Whoever answers the
 * one that explains has answered both.
 */
final class Explanations {
    /** What a finding makes likely at the same target of the same setup, by code. */
    private static final Map<String, Set<String>> EXPLAINS = Map.of(
            "faces-differ",
                    Set.of(
                            "set-residual",
                            "half-set-closure",
                            "backsight-drift",
                            "backsight-distance",
                            "backsight-elevation",
                            "elevation-round-error",
                            "second-fix",
                            "both-ways-differ"),
            "set-residual", Set.of("backsight-drift"),
            "backsight-drift", Set.of("second-fix"),
            "mark-disagrees", Set.of("backsight-distance", "backsight-elevation"),
            "marks-disagree", Set.of("backsight-distance"),
            "backsight-other-mark", Set.of("backsight-distance", "backsight-elevation"));

    /** What a finding makes likely anywhere in the same setup: a direction that is wrong pulls at all the others. */
    private static final Map<String, Set<String>> EXPLAINS_ALL =
            Map.of("faces-differ", Set.of("mark-disagrees", "marks-disagree", "groups-agree", "half-set-closure"));

    /** What a mark that pulls at a station carries on to everything shot from it: never more than it is wrong itself. */
    private static final Map<String, Set<String>> CARRIES_ON = Map.of("mark-disagrees", Set.of("second-fix"));

    private Explanations() {}

    /** The findings, those that others explain folded. */
    static List<Finding> fold(List<Finding> findings) {
        List<Finding> found = OneHeight.told(findings);
        return found.stream()
                .map(finding -> cause(finding, found)
                        .map(cause -> finding.explainedBy(cause))
                        .orElse(finding))
                .toList();
    }

    private static Optional<Finding> cause(Finding finding, List<Finding> all) {
        return finding.severity() == Severity.NOTE
                ? Optional.empty()
                : all.stream()
                        .filter(cause -> cause.severity() == Severity.STOP
                                && cause.setup().equals(finding.setup())
                                && explains(cause, finding))
                        .findFirst();
    }

    private static boolean explains(Finding cause, Finding finding) {
        boolean sameTarget = cause.target().equals(finding.target())
                && EXPLAINS.getOrDefault(cause.code(), Set.of()).contains(finding.code());
        boolean carried = CARRIES_ON.getOrDefault(cause.code(), Set.of()).contains(finding.code())
                && cause.measure() == finding.measure()
                && Math.abs(finding.value().orElse(Double.MAX_VALUE))
                        <= Math.abs(cause.value().orElse(0));
        return sameTarget
                || carried
                || EXPLAINS_ALL.getOrDefault(cause.code(), Set.of()).contains(finding.code());
    }
}
