package markturn.survey.finding.setup;

import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.result.MeasuredSetup;

/** A backsight elevation that is wrong by just what a slope taped to the notch differs from the vertical height. */
final class HeightMeasuredTo implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.BACKSIGHT_ELEVATION).flatMap(out -> {
            MeasuredSetup setup = evidence.measured().setup(out.setup());
            Optional<Notch> notch =
                    evidence.job().instrument(setup.setup().instrument()).notch();
            Optional<MeasuredHeight> booked = setup.setup().instrumentHeight();
            if (notch.isEmpty()
                    || booked.isEmpty()
                    || booked.get().value() <= notch.get().radius()) {
                return Stream.empty();
            }
            double asSlope =
                    notch.get().vertical(booked.get().value()) - booked.get().value();
            // Booked to the axis but taped to the notch: the height used is too small by asSlope; the other way round,
            // too large.
            double wouldChange = booked.get().to() == MeasuredHeight.To.AXIS ? asSlope : -asSlope;
            double left = out.value() + wouldChange;
            if (Math.abs(left) > out.limit()) {
                return Stream.empty();
            }
            String taken = booked.get().to() == MeasuredHeight.To.AXIS ? "axis" : "notch";
            String other = booked.get().to() == MeasuredHeight.To.AXIS ? "notch" : "axis";
            return Stream.of(Finding.of(
                            FindingCode.HEIGHT_MEASURED_TO,
                            Severity.WARN,
                            setup.name(),
                            out.target(),
                            "The instrument height is booked to the %s. Taken to the %s instead, the elevation of %s would fit within %s. Tape it again and see where the tape ends."
                                    .formatted(
                                            taken,
                                            other,
                                            out.target(),
                                            evidence.words().difference(left)))
                    .with(Measure.LENGTH, wouldChange, out.limit()));
        });
    }
}
