package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;

/** Marks that lie so that the station is weak, or so that directions check nothing. Bounds: common practice, no source. */
final class WeakGeometry implements Rule {
    private static final double ACUTE = Math.toRadians(30);
    private static final double OBTUSE = Math.toRadians(150);
    private static final double ONE_SIDED = Math.toRadians(60);

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.used().size() >= 2)
                .flatMap(free -> free.used().size() == 2 ? two(evidence, free) : many(evidence, free));
    }

    private static Stream<Finding> two(Evidence evidence, FreeStationEvidence free) {
        double angle = free.sector().width();
        if (angle >= ACUTE && angle <= OBTUSE) {
            return Stream.empty();
        }
        String what = angle < ACUTE
                ? "the position is weak across them"
                : "the position may be good, but the directions check nothing";
        return Stream.of(found(evidence, free, angle, angle < ACUTE ? ACUTE : OBTUSE, what));
    }

    private static Stream<Finding> many(Evidence evidence, FreeStationEvidence free) {
        double width = free.sector().width();
        return width >= ONE_SIDED
                ? Stream.empty()
                : Stream.of(found(evidence, free, width, ONE_SIDED, "all of them lie on one side"));
    }

    private static Finding found(Evidence evidence, FreeStationEvidence free, double angle, double limit, String what) {
        return Finding.of(
                        FindingCode.WEAK_GEOMETRY,
                        Severity.WARN,
                        free.name(),
                        "",
                        "The marks are seen within %s°: %s. Next: sight %s."
                                .formatted(Words.degrees(angle), what, free.nextSight(evidence)))
                .with(Measure.ARC, angle, limit);
    }
}
