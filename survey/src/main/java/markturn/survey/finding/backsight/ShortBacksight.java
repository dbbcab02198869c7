package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/** A foresight much longer than the backsight that orients it. */
final class ShortBacksight implements SetupRule {

    /** How many times longer a sight may be than the backsight. Common practice, no source. */
    private static final double LONGER = 2;

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        double back = longest(setup, Reading.Role.BACKSIGHT);
        double fore = longest(setup, Reading.Role.FORESIGHT);
        if (back == 0 || fore <= LONGER * back) {
            return Stream.empty();
        }
        double centring =
                evidence.settings().instrument(setup.setup().instrument()).centringStdDev();
        return Stream.of(Finding.of(
                        FindingCode.SHORT_BACKSIGHT,
                        Severity.WARN,
                        setup.name(),
                        "",
                        "The longest backsight is %s, the longest foresight %s. 1 mm beside the backsight is %s at the foresight%s. Orient on a mark at least as far away."
                                .formatted(
                                        evidence.words().line(back),
                                        evidence.words().line(fore),
                                        evidence.words().difference(0.001 * fore / back),
                                        centring > 0
                                                ? "; centring alone makes it %s"
                                                        .formatted(
                                                                evidence.words().difference(centring * fore / back))
                                                : ""))
                .with(Measure.PLAIN, fore / back, LONGER));
    }

    private static double longest(MeasuredSetup setup, Reading.Role role) {
        return setup.shots().stream()
                .filter(s -> s.fix().role() == role && s.horizontal().isPresent())
                .mapToDouble(s -> s.horizontal().getAsDouble())
                .max()
                .orElse(0);
    }
}
