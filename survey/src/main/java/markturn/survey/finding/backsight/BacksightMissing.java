package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/** A setup whose circle is not oriented: its station has no coordinates, or no backsight was booked. */
final class BacksightMissing implements SetupRule {
    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        if (setup.setup().isFree()) {
            return Stream.empty();
        }
        Stream<Finding> missing = setup.setup().orientation().sights().stream()
                .filter(sight -> !setup.booked().hasBacksight(sight))
                .map(sight -> missing(setup, sight));
        return setup.station().isPresent() ? missing : Stream.concat(Stream.of(unknown(setup)), missing);
    }

    /** Oriented by a given value it may be meant so: an angle needs no coordinates, and nothing is lost that could be carried. */
    private static Finding unknown(MeasuredSetup setup) {
        if (setup.setup().orientation() instanceof Setup.ByAzimuth) {
            return Finding.of(
                    FindingCode.STATION_UNKNOWN,
                    Severity.NOTE,
                    setup.name(),
                    setup.setup().station(),
                    "%s has no coordinates: this setup gives angles, and nothing is carried from it. Enter its coordinates if points are wanted."
                            .formatted(setup.setup().station()));
        }
        return Finding.of(
                FindingCode.STATION_UNKNOWN,
                Severity.STOP,
                setup.name(),
                setup.setup().station(),
                "%s has no coordinates when this setup comes up: nothing can be carried from it. Sight it from an earlier setup, or enter its coordinates."
                        .formatted(setup.setup().station()));
    }

    private static Finding missing(MeasuredSetup setup, String sight) {
        return Finding.of(
                FindingCode.BACKSIGHT_MISSING,
                Severity.STOP,
                setup.name(),
                sight,
                "The backsight %s has not been sighted: everything from this setup is unproved. Sight it on both faces."
                        .formatted(sight));
    }
}
