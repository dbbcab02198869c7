package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Decision;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/** A closing sight that no longer agrees with the backsight: the circle has turned since. */
final class BacksightDrift implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.CLOSING_SIGHT).map(out -> {
            MeasuredSetup.ClosingSight sight =
                    evidence.measured().setup(out.setup()).closingSight().orElseThrow();
            String effect = sight.atLongest().isPresent()
                    ? " That is %s at the longest sight of this setup."
                            .formatted(evidence.words()
                                    .difference(sight.atLongest().getAsDouble()))
                    : "";
            return Finding.of(
                            FindingCode.BACKSIGHT_DRIFT,
                            Severity.STOP,
                            out.setup(),
                            out.target(),
                            "The closing sight on %s reads %s %s than the backsight%s; limit %s.%s Level and sight it again. %s"
                                    .formatted(
                                            out.target(),
                                            evidence.words().size(out.value()),
                                            out.value() > 0 ? "more" : "less",
                                            circle(evidence.measured().setup(out.setup()), out.target()),
                                            evidence.words().small(out.limit()),
                                            effect,
                                            between(evidence, out.setup())))
                    .with(Measure.ARC, out.value(), out.limit());
        });
    }

    /** On which circle it was held against the backsight, where the circle was stepped between the sets. */
    private static String circle(MeasuredSetup setup, String target) {
        return setup.booked().zeros().size() < 2
                ? ""
                : setup.booked().fixes().stream()
                        .filter(f ->
                                f.role() == Reading.Role.CHECK && f.target().equals(target))
                        .reduce((earlier, later) -> later)
                        .map(f -> " on the circle of set "
                                + f.pointings()
                                        .means()
                                        .bySet()
                                        .keySet()
                                        .iterator()
                                        .next())
                        .orElse("");
    }

    private static String between(Evidence evidence, String setup) {
        if (evidence.job().isDecided(Decision.CORRECT_DRIFT, setup)) {
            return "The shots in between are corrected by time, by decision.";
        }
        int shots = DoubtfulShots.places(evidence.measured().setup(setup)).size();
        return shots == 0
                ? "Nothing was booked between the last good closing sight and this one."
                : "%d %s between the last closing sight and this one: keep them with a reason, correct them by time, or strike them out."
                        .formatted(shots, shots == 1 ? "shot lies" : "shots lie");
    }
}
