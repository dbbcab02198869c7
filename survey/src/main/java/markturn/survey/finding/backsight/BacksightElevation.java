package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A backsight whose measured elevation contradicts the coordinates. */
final class BacksightElevation implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return BacksightComparisons.beyondChance(evidence, Limit.BACKSIGHT_ELEVATION)
                .map(judged -> Finding.of(
                                FindingCode.BACKSIGHT_ELEVATION,
                                BacksightComparisons.severity(evidence, judged),
                                judged.setup(),
                                judged.target(),
                                "Seen from here %s lies %s %s than its elevation; %s. Tape the instrument height and the target height again: a height is likelier wrong than the mark."
                                        .formatted(
                                                judged.target(),
                                                evidence.words().difference(judged.value()),
                                                judged.value() > 0 ? "higher" : "lower",
                                                BacksightComparisons.limit(evidence, judged)))
                        .with(Measure.LENGTH, judged.value(), judged.limit()));
    }
}
