package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;

/** Two marks whose names, exchanged, make everything fit. */
final class NamesSwapped implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().swapped().size() == 2)
                .map(free -> {
                    String one = free.resected().swapped().get(0);
                    String other = free.resected().swapped().get(1);
                    return Finding.of(
                            "names-swapped",
                            Severity.STOP,
                            free.name(),
                            one,
                            "With the names of %s and %s exchanged everything fits. Likeliest: each was booked under the other's name. Look, then correct the names."
                                    .formatted(one, other));
                });
    }
}
