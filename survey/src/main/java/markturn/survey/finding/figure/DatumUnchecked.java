package markturn.survey.finding.figure;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;

/** A loop on one mark: it closes whatever its scale and its first azimuth are. */
final class DatumUnchecked implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().traverses().stream()
                .filter(t -> t.loop() && t.northing().isPresent())
                .map(t -> Finding.of(
                        FindingCode.DATUM_UNCHECKED,
                        Severity.WARN,
                        "",
                        t.traverse().route().get(0),
                        "%s begins and ends on %s: a loop from one mark cannot see a wrong scale, a wrong starting azimuth or a wrong starting mark. Sight a second control mark."
                                .formatted(t.name(), t.traverse().route().get(0))));
    }
}
