package markturn.survey.finding.base;

import java.util.stream.Stream;

/** A rule that looks at one setup at a time and is given nothing else: what it found holds until that setup changes. */
public interface SetupRule extends Rule {
    Stream<Finding> judge(SetupEvidence evidence);

    @Override
    default Stream<Finding> judge(Evidence evidence) {
        return evidence.setups().flatMap(setup -> judge(evidence.of(setup)));
    }
}
