package markturn.survey.finding.resection;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Reading;
import markturn.survey.result.Shot;

/** Work that reaches farther than the marks that fix the station, or to a side where there is none. */
final class OutsideMarks implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations().filter(free -> free.used().size() >= 2).flatMap(free -> judge(evidence, free));
    }

    private static Stream<Finding> judge(Evidence evidence, FreeStationEvidence free) {
        double farthest = free.farthestMark();
        FreeStationEvidence.Sector sector = free.sector();
        boolean allRound = sector.width() >= Math.PI;
        List<Shot> work = free.setup().shots().stream()
                .filter(s -> s.position().isPresent() && s.horizontal().isPresent())
                .filter(s -> s.fix().role() == Reading.Role.FORESIGHT || s.fix().role() == Reading.Role.DETAIL)
                .toList();
        List<Shot> beyond = work.stream()
                .filter(s -> s.horizontal().getAsDouble() > farthest)
                .toList();
        List<Shot> aside = allRound
                ? List.of()
                : work.stream()
                        .filter(s -> !sector.holds(
                                free.station().azimuthTo(s.position().orElseThrow())))
                        .toList();
        if (beyond.isEmpty() && aside.isEmpty()) {
            return Stream.empty();
        }
        double reach = beyond.stream()
                .mapToDouble(s -> s.horizontal().getAsDouble())
                .max()
                .orElse(0);
        String far = beyond.isEmpty()
                ? ""
                : "%d of %d sights reach beyond the farthest mark (%s against %s): there the orientation's error grows. "
                        .formatted(
                                beyond.size(),
                                work.size(),
                                evidence.words().line(reach),
                                evidence.words().line(farthest));
        String side = aside.isEmpty()
                ? ""
                : "%d of %d sights lie outside the sector of the marks. ".formatted(aside.size(), work.size());
        return Stream.of(Finding.of(
                FindingCode.OUTSIDE_MARKS,
                Severity.WARN,
                free.name(),
                "",
                "%s%sNext: sight %s.".formatted(far, side, free.nextSight(evidence))));
    }
}
