package markturn.survey.finding.resection;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;

/** Two marks whose names, exchanged, make everything fit. */
final class NamesSwapped implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.setups()
                .filter(setup ->
                        setup.resected().filter(r -> r.swapped().size() == 2).isPresent())
                .map(setup -> {
                    List<String> swapped = setup.resected().orElseThrow().swapped();
                    String one = swapped.get(0);
                    String other = swapped.get(1);
                    return Finding.of(
                            FindingCode.NAMES_SWAPPED,
                            Severity.STOP,
                            setup.name(),
                            one,
                            "With the names of %s and %s exchanged everything fits. Likeliest: each was booked under the other's name. Look, then correct the names."
                                    .formatted(one, other));
                });
    }
}
