package markturn.survey.finding.resection;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Resected.Sighted;

/** Angles alone from a place on one circle with the marks: there they do not tell where it stands. */
final class DangerCircle implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations().flatMap(free -> judge(evidence, free).stream());
    }

    static Optional<Finding> judge(Evidence evidence, FreeStationEvidence free) {
        List<Sighted> marks = free.used();
        if (marks.size() < 3 || marks.stream().anyMatch(Sighted::length)) {
            return Optional.empty();
        }
        double[] circle = Circles.through(marks.get(0), marks.get(1), marks.get(2));
        double near = Circles.nearSighted(circle, marks);
        boolean onIt = marks.stream().allMatch(m -> Circles.off(circle, m.northing(), m.easting()) < near);
        double off =
                Circles.off(circle, free.station().northing(), free.station().easting());
        if (!onIt || !(off < near)) {
            return Optional.empty();
        }
        return Optional.of(Finding.of(
                        FindingCode.DANGER_CIRCLE,
                        StationLoose.isLoose(evidence, free) ? Severity.STOP : Severity.WARN,
                        free.name(),
                        "",
                        "The station lies %s from the circle through %s, of radius %s: there angles alone hardly place it. Measure a distance, or sight %s."
                                .formatted(
                                        evidence.words().line(off),
                                        Words.names(marks.stream()
                                                .map(Sighted::target)
                                                .toList()),
                                        evidence.words().line(circle[2]),
                                        free.nextSight(evidence)))
                .with(Measure.LENGTH, off, near));
    }
}
