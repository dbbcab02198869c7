package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/** A backsight that was sighted and has no coordinates in the end. */
final class BacksightUnknown implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.setups()
                .filter(setup -> setup.setup().orientation() instanceof Setup.BySights)
                .flatMap(setup -> setup.setup().orientation().sights().stream()
                        .filter(sight -> evidence.position(sight).isEmpty())
                        .filter(sight -> setup.booked().hasBacksight(sight))
                        .map(sight -> found(setup, sight)));
    }

    private static Finding found(MeasuredSetup setup, String sight) {
        return Finding.of(
                FindingCode.BACKSIGHT_UNKNOWN,
                Severity.STOP,
                setup.name(),
                sight,
                "%s has no coordinates and cannot orient the circle. Sight a mark that has, or enter its coordinates."
                        .formatted(sight));
    }
}
