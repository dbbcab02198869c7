package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.result.Resected;

/** A free station that the sights do not place, or place twice. */
final class ResectionUndetermined implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.setups()
                .filter(s -> s.resected().flatMap(Resected::undetermined).isPresent())
                .map(s -> Finding.of(
                        "resection-undetermined",
                        Severity.STOP,
                        s.name(),
                        "",
                        "%s has no position yet: %s."
                                .formatted(
                                        s.setup().station(),
                                        s.resected()
                                                .flatMap(Resected::undetermined)
                                                .orElseThrow())));
    }
}
