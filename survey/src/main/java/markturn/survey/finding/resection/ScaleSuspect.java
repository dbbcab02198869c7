package markturn.survey.finding.resection;

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
import markturn.survey.job.Limit;
import markturn.survey.result.Resected.ScaleTrial;

/** Distances that are all off by one scale or one constant: a unit, a ppm, a reflector constant. */
final class ScaleSuspect implements Rule {
    /** One explanation is better than another where its squares are smaller by this. */
    private static final double BETTER = 4;

    private static final double FOOT = 0.3048;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .flatMap(free -> suspected(evidence, free).stream().map(trial -> found(evidence, free, trial)));
    }

    /** The common error of all distances that is said of a station, where no mark is to blame. */
    static Optional<ScaleTrial> suspected(Evidence evidence, FreeStationEvidence free) {
        return free.resected().suspicion().isPresent()
                ? Optional.empty()
                : free.resected()
                        .scale()
                        .filter(trial -> trial.isSuspect(
                                free.farthestMark(),
                                evidence.job().classOfWork().limit(Limit.BACKSIGHT_DISTANCE)));
    }

    private static Finding found(Evidence evidence, FreeStationEvidence free, ScaleTrial trial) {
        return Finding.of(
                        FindingCode.SCALE_SUSPECT,
                        Severity.WARN,
                        free.name(),
                        "",
                        "The distances to all marks are off together: %s.".formatted(why(evidence, trial)))
                .with(Measure.PLAIN, trial.ppm(), trial.stdDev());
    }

    /** What would explain that all distances are off. */
    static String why(Evidence evidence, ScaleTrial trial) {
        double factor = 1 + trial.ppm() * 1e-6;
        String why;
        if (isNear(factor, FOOT) || isNear(factor, 1 / FOOT)) {
            why = "they are %s times as long as coordinates say: feet and metres are mixed up"
                    .formatted(Words.number(1 / factor, 4));
        } else if (trial.squaresConstant() + BETTER < trial.squaresFree()) {
            why = "%s added to each would explain it: look at the reflector constant"
                    .formatted(signed(evidence, trial.constant()));
        } else if (trial.squaresFree() + BETTER < trial.squaresConstant()) {
            why = "%s ppm would explain it: look at temperature, pressure, what is keyed in, and the scale factor"
                    .formatted(Words.number(trial.ppm(), 1));
        } else {
            why =
                    "a constant of %s or a scale of %s ppm would explain it, and these marks cannot tell which: look at both"
                            .formatted(signed(evidence, trial.constant()), Words.number(trial.ppm(), 1));
        }
        return why;
    }

    private static boolean isNear(double factor, double of) {
        return Math.abs(factor / of - 1) < 0.01;
    }

    private static String signed(Evidence evidence, double metres) {
        return (metres < 0 ? "-" : "+") + evidence.words().difference(metres);
    }
}
