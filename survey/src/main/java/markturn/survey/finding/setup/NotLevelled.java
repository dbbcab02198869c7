package markturn.survey.finding.setup;

import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Limit;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/** A setup without a levelled figure, or beyond the tilt its class allows. */
final class NotLevelled implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        if (setup.setup().tilt().isEmpty()) {
            return Stream.of(
                    Finding.of(
                            FindingCode.NOT_LEVELLED,
                            Severity.NOTE,
                            setup.name(),
                            "",
                            "No tilt is booked for this setup. Read the level on both axes and enter it: a tilt is not cancelled by two faces."));
        }
        return tilted(evidence, setup, setup.setup().tilt().get());
    }

    private static Stream<Finding> tilted(SetupEvidence evidence, MeasuredSetup setup, Setup.Tilt tilt) {
        double limit = evidence.settings().classOfWork().limit(Limit.TILT);
        double size = Math.hypot(tilt.along(), tilt.across());
        if (size <= limit) {
            return Stream.empty();
        }
        double steepest = setup.abstracts().stream()
                .filter(s -> s.zenith().isPresent())
                .mapToDouble(s -> Math.abs(1 / Math.tan(s.zenith().getAsDouble())))
                .max()
                .orElse(0);
        String effect = tilt.compensated()
                ? "The compensator was on and takes it out of the readings."
                : "On the steepest sight it turns the direction by up to %s, on both faces alike."
                        .formatted(evidence.words().small(size * steepest));
        return Stream.of(Finding.of(
                        FindingCode.NOT_LEVELLED,
                        tilt.compensated() ? Severity.NOTE : Severity.WARN,
                        setup.name(),
                        "",
                        "The instrument stood %s out of level; limit %s. %s Level it again."
                                .formatted(
                                        evidence.words().small(size),
                                        evidence.words().small(limit),
                                        effect))
                .with(Measure.ARC, size, limit));
    }
}
