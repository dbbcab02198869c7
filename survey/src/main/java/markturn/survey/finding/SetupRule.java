package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.result.MeasuredSetup;

/**
 * A rule that looks at one setup at a time, at the job's settings and at the marks the setup refers to, and at nothing else: what it found
 * holds until one of these changes.
 */
interface SetupRule extends Rule {
    Stream<Finding> judge(Evidence evidence, MeasuredSetup setup);

    @Override
    default Stream<Finding> judge(Evidence evidence) {
        return evidence.setups().flatMap(setup -> judge(evidence, setup));
    }
}
