package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Limit;

/** A backsight whose measured elevation contradicts the coordinates. */
final class BacksightElevation implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.BACKSIGHT_ELEVATION)
                .map(out -> Finding.of(
                                "backsight-elevation",
                                Severity.STOP,
                                out.setup(),
                                out.target(),
                                "Seen from here %s lies %s %s than its elevation; limit %s. Tape the instrument height and the target height again: a height is likelier wrong than the mark."
                                        .formatted(
                                                out.target(),
                                                evidence.words().difference(out.value()),
                                                out.value() > 0 ? "higher" : "lower",
                                                evidence.words().difference(out.limit())))
                        .with(Measure.LENGTH, out.value(), out.limit()));
    }
}
