package markturn.survey.finding.base;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Units;

/**
 * Which findings have been answered. An answer belongs to its finding: code, setup, target and value (in the job's units). When the readings beneath change, the
 * value changes with them, and the finding opens again.
 */
public final class Answers {
    /** Below this two values are the same: rounding of the file format. */
    private static final double SAME = 1e-6;

    private final Job job;
    private final Units units;
    private final List<Decision> decisions;

    public Answers(Job job) {
        this.job = job;
        this.units = job.units();
        this.decisions = job.decisions().stream()
                .filter(d -> d.what().equals(Decision.ANSWER) && !d.isStated())
                .toList();
    }

    /** The findings with their answers. */
    public List<Finding> applyTo(List<Finding> findings) {
        return decisions.isEmpty()
                ? findings
                : findings.stream().map(finding -> applyTo(finding, findings)).toList();
    }

    private Finding applyTo(Finding finding, List<Finding> all) {
        List<Decision> concerning = decisions.stream()
                .filter(d -> concerns(d, finding))
                .sorted(Collections.reverseOrder(Comparator.comparingInt(decisions::indexOf)))
                .toList();
        for (Decision answer : concerning) {
            if (holds(answer, finding)) {
                return finding.answered(new Finding.Answer(answer.by(), answer.reason()));
            }
        }
        // An answer that fits no finding any more was given to one whose readings have changed since.
        boolean stale = concerning.stream()
                .anyMatch(answer ->
                        all.stream().filter(other -> concerns(answer, other)).noneMatch(other -> holds(answer, other)));
        return stale ? finding.openedAgain() : finding;
    }

    /** Without a value to tell it by, an answer holds while what it was given on is as it was. */
    private boolean restsOnTheSame(Decision answer) {
        return Basis.of(answer)
                .flatMap(then -> job.setup(answer.concerning("setup"))
                        .map(setup -> then.changed(Basis.of(job, setup, answer.concerning("target")))
                                .isEmpty()))
                .orElse(true);
    }

    private static boolean concerns(Decision answer, Finding finding) {
        return answer.concerning("code").equals(finding.code().key())
                && answer.concerning("setup").equals(finding.setup())
                && answer.concerning("target").equals(finding.target());
    }

    private boolean holds(Decision answer, Finding finding) {
        if (finding.value().isEmpty()) {
            return !answer.on().containsKey("value") && restsOnTheSame(answer);
        }
        return answer.on().get("value") instanceof Number answered
                && Math.abs(answered.doubleValue()
                                - finding.value().getAsDouble()
                                        / finding.measure().unit(units))
                        < SAME;
    }
}
