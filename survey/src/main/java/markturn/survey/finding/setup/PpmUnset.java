package markturn.survey.finding.setup;

import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Shot;

/** No temperature and pressure on lines long enough to feel it. */
final class PpmUnset implements SetupRule {

    /** What the air may plausibly be off the reference, ppm: some 20 degrees, or 70 hPa. Common practice, no source. */
    private static final double PLAUSIBLE_PPM = 20;

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        boolean known = setup.setup().atmosphere().isPresent()
                && evidence.settings()
                        .instrument(setup.setup().instrument())
                        .wavelength()
                        .isPresent();
        OptionalDouble longest = known ? OptionalDouble.empty() : longest(setup);
        double limit = evidence.settings().classOfWork().limit(Limit.BACKSIGHT_DISTANCE);
        if (longest.isEmpty() || longest.getAsDouble() * PLAUSIBLE_PPM * 1e-6 < limit) {
            return Stream.empty();
        }
        boolean keyedIn = setup.booked().readings().stream()
                .map(b -> b.reading().applied().map(Reading.Applied::ppm).orElse(OptionalDouble.empty()))
                .anyMatch(ppm -> ppm.isPresent() && ppm.getAsDouble() != 0);
        if (keyedIn) {
            return Stream.empty();
        }
        double effect = longest.getAsDouble() * PLAUSIBLE_PPM * 1e-6;
        return Stream.of(Finding.of(
                        FindingCode.PPM_UNSET,
                        Severity.WARN,
                        setup.name(),
                        "",
                        (setup.setup().atmosphere().isPresent()
                                        ? "Temperature and pressure are booked, but nothing can be computed from them: the instrument has no wavelength. The longest line is %s: 20 ppm would be %s on it. Enter the wavelength with the instrument."
                                        : "No temperature and pressure are booked, and the longest line is %s: 20 ppm would be %s on it. Read both and enter them.")
                                .formatted(
                                        evidence.words().line(longest.getAsDouble()),
                                        evidence.words().difference(effect)))
                .with(Measure.LENGTH, effect, limit));
    }

    private static OptionalDouble longest(MeasuredSetup setup) {
        double longest = -1;
        for (Shot shot : setup.shots()) {
            longest = Math.max(longest, shot.horizontal().orElse(-1));
        }
        return longest < 0 ? OptionalDouble.empty() : OptionalDouble.of(longest);
    }
}
