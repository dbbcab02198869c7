package markturn.survey.finding;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;

/**
 * One cause, one stop (practice, 10): what another finding on the same target explains is kept as a note that says so. Whoever answers the
 * one that explains has answered both.
 */
final class Explanations {
    /** What a finding makes likely at the same target of the same setup, by code. */
    private static final Map<FindingCode, Set<FindingCode>> EXPLAINS = Map.of(
            FindingCode.FACES_DIFFER,
                    Set.of(
                            FindingCode.SET_RESIDUAL,
                            FindingCode.HALF_SET_CLOSURE,
                            FindingCode.BACKSIGHT_DRIFT,
                            FindingCode.BACKSIGHT_DISTANCE,
                            FindingCode.BACKSIGHT_ELEVATION,
                            FindingCode.ELEVATION_ROUND_ERROR,
                            FindingCode.SECOND_FIX,
                            FindingCode.BOTH_WAYS_DIFFER),
            FindingCode.SET_RESIDUAL, Set.of(FindingCode.BACKSIGHT_DRIFT),
            FindingCode.BACKSIGHT_DRIFT, Set.of(FindingCode.SECOND_FIX),
            FindingCode.MARK_DISAGREES, Set.of(FindingCode.BACKSIGHT_DISTANCE, FindingCode.BACKSIGHT_ELEVATION),
            FindingCode.MARKS_DISAGREE, Set.of(FindingCode.BACKSIGHT_DISTANCE),
            FindingCode.BACKSIGHT_OTHER_MARK, Set.of(FindingCode.BACKSIGHT_DISTANCE, FindingCode.BACKSIGHT_ELEVATION));

    /** What a finding makes likely anywhere in the same setup: a direction that is wrong pulls at all the others. */
    private static final Map<FindingCode, Set<FindingCode>> EXPLAINS_ALL = Map.of(
            FindingCode.FACES_DIFFER,
            Set.of(
                    FindingCode.MARK_DISAGREES,
                    FindingCode.MARKS_DISAGREE,
                    FindingCode.GROUPS_AGREE,
                    FindingCode.HALF_SET_CLOSURE));

    /** What a mark that pulls at a station carries on to everything shot from it: never more than it is wrong itself. */
    private static final Map<FindingCode, Set<FindingCode>> CARRIES_ON =
            Map.of(FindingCode.MARK_DISAGREES, Set.of(FindingCode.SECOND_FIX));

    private Explanations() {}

    /** The findings, those that others explain folded. */
    static List<Finding> fold(List<Finding> findings) {
        List<Finding> found = OneHeight.told(findings);
        Map<String, List<Finding>> stops = found.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .collect(Collectors.groupingBy(Finding::setup));
        return found.stream()
                .map(finding -> cause(finding, stops.getOrDefault(finding.setup(), List.of()))
                        .map(cause -> finding.explainedBy(cause))
                        .orElse(finding))
                .toList();
    }

    /** @param stops of the same setup */
    private static Optional<Finding> cause(Finding finding, List<Finding> stops) {
        return finding.severity() == Severity.NOTE
                ? Optional.empty()
                : stops.stream().filter(stop -> explains(stop, finding)).findFirst();
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
