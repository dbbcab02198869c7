package markturn.survey.finding.backsight;

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

/** A circle that was oriented by something else than known marks. */
final class OrientationAsGiven implements SetupRule {
    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        if (setup.setup().orientation() instanceof Setup.ByFeature feature) {
            double sigma = Math.sqrt(setup.orientationVariance().orElse(0));
            return Stream.of(Finding.of(
                            FindingCode.ORIENTATION_APPROXIMATE,
                            Severity.WARN,
                            setup.name(),
                            feature.sight(),
                            "The circle is oriented on %s as a map shows it, within %s: all azimuths of this setup share that. Sight a known mark before anything is built on it."
                                    .formatted(feature.sight(), evidence.words().small(sigma)))
                    .with(Measure.ARC, sigma, evidence.settings().classOfWork().limit(Limit.SET_RESIDUAL)));
        }
        if (setup.setup().orientation() instanceof Setup.ByAzimuth given) {
            return Stream.of(Finding.of(
                    FindingCode.ORIENTATION_GIVEN,
                    Severity.NOTE,
                    setup.name(),
                    given.sight(),
                    "The azimuth to %s was given, not computed from marks: nothing here tests it. Sight a second known direction."
                            .formatted(given.sight())));
        }
        return Stream.empty();
    }
}
