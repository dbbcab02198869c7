package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;

/** A free station that its sights hardly hold: its ellipse is many times what the class allows a point. */
final class StationLoose implements Rule {
    /** How many times the class's limit for a point its 95 % ellipse may be. Common practice, no source. */
    private static final double TIMES = 10;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> isLoose(evidence, free)
                        && DangerCircle.judge(evidence, free).isEmpty())
                .map(free -> found(evidence, free));
    }

    static boolean isLoose(Evidence evidence, FreeStationEvidence free) {
        return ellipse(free) > limit(evidence);
    }

    private static double ellipse(FreeStationEvidence free) {
        return free.station().plan().ellipse().of95().semiMajor();
    }

    private static double limit(Evidence evidence) {
        return TIMES * evidence.job().classOfWork().limit(Limit.SECOND_FIX_POSITION);
    }

    private static Finding found(Evidence evidence, FreeStationEvidence free) {
        return Finding.of(
                        FindingCode.WEAK_GEOMETRY,
                        Severity.STOP,
                        free.name(),
                        "",
                        "These sights hardly hold the station: 95 times in a hundred it lies within %s of this place, and nothing nearer can be said; limit %s. Measure a distance, or sight %s."
                                .formatted(
                                        evidence.words().line(ellipse(free)),
                                        evidence.words().difference(limit(evidence)),
                                        free.nextSight(evidence)))
                .with(Measure.LENGTH, ellipse(free), limit(evidence));
    }
}
