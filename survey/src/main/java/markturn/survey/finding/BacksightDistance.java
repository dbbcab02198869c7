package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Limit;

/** A backsight whose measured distance contradicts the coordinates. */
final class BacksightDistance implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.BACKSIGHT_DISTANCE)
                .map(out -> Finding.of(
                                "backsight-distance",
                                Severity.STOP,
                                out.setup(),
                                out.target(),
                                "The distance to %s is %s %s than its coordinates say; limit %s. Check the target, the reflector constant and both marks before anything else is booked."
                                        .formatted(
                                                out.target(),
                                                evidence.words().difference(out.value()),
                                                out.value() > 0 ? "longer" : "shorter",
                                                evidence.words().difference(out.limit())))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
