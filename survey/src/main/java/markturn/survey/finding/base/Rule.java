package markturn.survey.finding.base;

import java.util.stream.Stream;

/** One judgement call: looks at the job and what was measured, says what it found. */
public interface Rule {
    Stream<Finding> judge(Evidence evidence);
}
