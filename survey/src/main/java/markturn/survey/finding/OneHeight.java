package markturn.survey.finding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;

/**
 * Elevations that are all off alike at one setup have one cause, the instrument's height: two targets that are both wrong by the same would
 * be a rare chance. The first stop says so, the others are folded under it.
 */
final class OneHeight {
    private static final FindingCode CODE = FindingCode.BACKSIGHT_ELEVATION;

    private OneHeight() {}

    /** The findings, elevations of one setup that are off alike told as one. */
    static List<Finding> told(List<Finding> found) {
        Map<String, List<Finding>> bySetup = new LinkedHashMap<>();
        found.stream()
                .filter(f -> f.code() == CODE && f.severity() == Severity.STOP)
                .forEach(f -> bySetup.computeIfAbsent(f.setup(), s -> new ArrayList<>())
                        .add(f));
        bySetup.values().removeIf(of -> of.size() < 2 || !isAlike(of));
        return bySetup.isEmpty()
                ? found
                : found.stream().map(f -> told(f, bySetup.get(f.setup()))).toList();
    }

    private static Finding told(Finding finding, List<Finding> alike) {
        if (alike == null || !alike.contains(finding)) {
            return finding;
        }
        Finding first = alike.get(0);
        return finding == first
                ? finding.saying("%s The other backsights are off alike: likeliest it is the height of the instrument."
                        .formatted(finding.text()))
                : finding.explainedBy(first);
    }

    /** Within the limit of one another: a wrong height of one target would stand out from the others. */
    private static boolean isAlike(List<Finding> of) {
        double least =
                of.stream().mapToDouble(f -> f.value().getAsDouble()).min().getAsDouble();
        double most =
                of.stream().mapToDouble(f -> f.value().getAsDouble()).max().getAsDouble();
        return most - least <= of.get(0).limit().getAsDouble();
    }
}
