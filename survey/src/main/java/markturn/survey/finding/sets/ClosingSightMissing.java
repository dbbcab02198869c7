package markturn.survey.finding.sets;

import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.MeasuredSetup;

/** A setup that was left without sighting the backsight again, or not within the interval. */
final class ClosingSightMissing implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        boolean carried = setup.booked().readings().stream()
                .anyMatch(b -> b.reading().role() == Reading.Role.FORESIGHT
                        || b.reading().role() == Reading.Role.DETAIL);
        if (!carried) {
            return Stream.empty();
        }
        if (setup.closingSight().isEmpty()) {
            return Stream.of(
                    Finding.of(
                            FindingCode.CLOSING_SIGHT_MISSING,
                            Severity.WARN,
                            setup.name(),
                            "",
                            "The backsight has not been sighted again. Sight it before picking up: it costs one pointing and proves that nothing turned."));
        }
        return longestGap(evidence, setup);
    }

    private static Stream<Finding> longestGap(SetupEvidence evidence, MeasuredSetup setup) {
        double interval = evidence.settings().classOfWork().limit(Limit.CLOSING_INTERVAL);
        Instant last = null;
        double longest = 0;
        for (BookedReading booked : setup.booked().readings()) {
            Reading reading = booked.reading();
            if (reading.at().isEmpty()) {
                continue;
            }
            Instant at = reading.at().get();
            if (last != null) {
                longest = Math.max(longest, Duration.between(last, at).getSeconds() / 60.0);
            }
            boolean back = setup.setup().orientation().sights().contains(reading.target());
            if (last == null || back) {
                last = at;
            }
        }
        if (longest <= interval) {
            return Stream.empty();
        }
        return Stream.of(Finding.of(
                        FindingCode.CLOSING_SIGHT_MISSING,
                        Severity.WARN,
                        setup.name(),
                        "",
                        "%s minutes passed without a look at the backsight; this class wants one every %s. Sight it again."
                                .formatted(Words.number(longest, 0), Words.number(interval, 0)))
                .with(Measure.PLAIN, longest, interval));
    }
}
