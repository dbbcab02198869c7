package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Units;

/**
 * Which findings have been answered. An answer belongs to its finding: code, setup, target and value (in the job's units). When the readings beneath change, the
 * value changes with them, and the finding opens again.
 */
final class Answers {
    /** Below this two values are the same: rounding of the file format. */
    private static final double SAME = 1e-6;

    private final Units units;
    private final List<Decision> decisions;

    Answers(Job job) {
        this.units = job.units();
        this.decisions = job.decisions().stream()
                .filter(d -> d.what().equals(Decision.ANSWER))
                .toList();
    }

    Finding applyTo(Finding finding) {
        Optional<Decision> last = decisions.stream()
                .filter(d -> d.concerning("code").equals(finding.code())
                        && d.concerning("setup").equals(finding.setup())
                        && d.concerning("target").equals(finding.target()))
                .reduce((earlier, later) -> later);
        if (last.isEmpty()) {
            return finding;
        }
        return holds(last.get(), finding)
                ? finding.answered(
                        new Finding.Answer(last.get().by(), last.get().reason()))
                : finding.openedAgain();
    }

    private boolean holds(Decision answer, Finding finding) {
        if (finding.value().isEmpty()) {
            return !answer.on().containsKey("value");
        }
        return answer.on().get("value") instanceof Number answered
                && Math.abs(answered.doubleValue()
                                - finding.value().getAsDouble()
                                        / finding.measure().unit(units))
                        < SAME;
    }
}
