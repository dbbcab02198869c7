package markturn.survey.finding.sets;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/** Many pointings struck out or repeated in one setup: results that were chosen, not observed. */
final class ManyStruckOut implements SetupRule {

    private static final int FEW = 3;
    private static final double SHARE = 0.25;

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        List<Reading> readings = setup.setup().readings();
        long struck = readings.stream().filter(r -> !r.stands()).count();
        if (struck <= FEW || struck <= SHARE * readings.size()) {
            return Stream.empty();
        }
        return Stream.of(Finding.of(
                        FindingCode.COAXING,
                        Severity.WARN,
                        setup.name(),
                        "",
                        "%d of %d pointings of this setup are struck out. Sets that were chosen until they agree prove nothing: find the cause (legs, bubble, heat, parallax) and turn whole sets again."
                                .formatted(struck, readings.size()))
                .with(Measure.PLAIN, struck, SHARE * readings.size()));
    }
}
