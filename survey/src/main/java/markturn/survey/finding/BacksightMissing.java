package markturn.survey.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/** A setup whose circle is not oriented: no backsight was booked, or it has no coordinates, or the station has none. */
final class BacksightMissing implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.setups().filter(setup -> !setup.setup().isFree()).flatMap(setup -> {
            List<Finding> found = new ArrayList<>();
            if (setup.station().isEmpty()) {
                found.add(Finding.of(
                        "station-unknown",
                        Severity.STOP,
                        setup.name(),
                        setup.setup().station(),
                        "%s has no coordinates when this setup comes up: nothing can be carried from it. Sight it from an earlier setup, or enter its coordinates."
                                .formatted(setup.setup().station())));
            }
            for (String sight : setup.setup().orientation().sights()) {
                if (!setup.booked().hasBacksight(sight)) {
                    found.add(missing(setup, sight));
                } else if (setup.setup().orientation() instanceof Setup.BySights
                        && evidence.position(sight).isEmpty()) {
                    found.add(Finding.of(
                            "backsight-unknown",
                            Severity.STOP,
                            setup.name(),
                            sight,
                            "%s has no coordinates and cannot orient the circle. Sight a mark that has, or enter its coordinates."
                                    .formatted(sight)));
                }
            }
            return found.stream();
        });
    }

    private static Finding missing(MeasuredSetup setup, String sight) {
        return Finding.of(
                "backsight-missing",
                Severity.STOP,
                setup.name(),
                sight,
                "The backsight %s has not been sighted: everything from this setup is unproved. Sight it on both faces."
                        .formatted(sight));
    }
}
