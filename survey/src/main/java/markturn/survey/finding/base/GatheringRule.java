package markturn.survey.finding.base;

import java.util.List;
import java.util.stream.Stream;

/**
 * A rule that first takes something from each setup alone, as a {@link SetupRule} looks at it, and then judges what it took from all: of
 * thousands of sights few concern it, and those of a setup that did not change are not sought again.
 *
 * @param <T> what it takes
 */
public interface GatheringRule<T> extends Rule {
    List<T> gather(SetupEvidence evidence);

    /** What it finds in everything gathered, in the order of the setups. */
    Stream<Finding> judge(Evidence evidence, List<T> gathered);

    @Override
    default Stream<Finding> judge(Evidence evidence) {
        return judge(
                evidence,
                evidence.setups()
                        .flatMap(setup -> gather(evidence.of(setup)).stream())
                        .toList());
    }
}
