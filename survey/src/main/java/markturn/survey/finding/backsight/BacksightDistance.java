package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A backsight whose measured distance contradicts the coordinates. */
final class BacksightDistance implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return BacksightComparisons.beyondChance(evidence, Limit.BACKSIGHT_DISTANCE)
                .map(judged -> Finding.of(
                                FindingCode.BACKSIGHT_DISTANCE,
                                BacksightComparisons.severity(evidence, judged),
                                judged.setup(),
                                judged.target(),
                                "The distance to %s is %s %s than its coordinates say; %s. Check the target, the reflector constant and both marks before anything else is booked."
                                        .formatted(
                                                judged.target(),
                                                evidence.words().difference(judged.value()),
                                                judged.value() > 0 ? "longer" : "shorter",
                                                BacksightComparisons.limit(evidence, judged)))
                        .with(Measure.LENGTH, judged.value(), judged.limit()));
    }
}
