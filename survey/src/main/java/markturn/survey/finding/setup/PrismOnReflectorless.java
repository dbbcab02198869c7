package markturn.survey.finding.setup;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.MeasuredSetup;

/** A prism constant that the instrument had keyed in on a sight without reflector. */
final class PrismOnReflectorless implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        List<Reading> readings = setup.booked().readings().stream()
                .map(BookedReading::reading)
                .filter(r -> r.reflector().equals(Reflector.REFLECTORLESS)
                        && r.slope().isPresent())
                .filter(r -> applied(r) != 0)
                .toList();
        if (readings.isEmpty()) {
            return Stream.empty();
        }
        double constant = applied(readings.get(0));
        return Stream.of(Finding.of(
                        FindingCode.PRISM_ON_REFLECTORLESS,
                        Severity.WARN,
                        setup.name(),
                        readings.get(0).target(),
                        "A prism constant of %s was keyed in while %s sighted without reflector (%s first). It has been taken out of the distance. Set the instrument to reflectorless."
                                .formatted(
                                        (constant < 0 ? "-" : "")
                                                + evidence.words().difference(constant),
                                        readings.size() == 1 ? "one point was" : readings.size() + " readings were",
                                        readings.get(0).target()))
                .with(Measure.LENGTH, constant, 0));
    }

    private static double applied(Reading reading) {
        return reading.applied()
                .map(Reading.Applied::constant)
                .orElse(OptionalDouble.empty())
                .orElse(0);
    }
}
