package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Limit;
import markturn.survey.result.Resected.ScaleTrial;

/** Distances that are all off by one scale or one constant: a unit, a ppm, a reflector constant. */
final class ScaleSuspect implements Rule {
    /** Chi-square, one degree of freedom, 0.1 %. */
    private static final double ONE_DEGREE = 10.83;
    /** One explanation is better than another where its squares are smaller by this. */
    private static final double BETTER = 4;

    private static final double FOOT = 0.3048;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().suspicion().isEmpty() || explains(evidence, free))
                .flatMap(free -> free.resected().scale().stream()
                        .filter(trial -> isSuspect(evidence, free, trial))
                        .map(trial -> found(evidence, free, trial)));
    }

    private static boolean isSuspect(Evidence evidence, Free free, ScaleTrial trial) {
        double gained = trial.squaresHeld() - Math.min(trial.squaresFree(), trial.squaresConstant());
        double effect = Math.abs(trial.ppm()) * 1e-6 * free.farthestMark();
        double limit = evidence.job().classOfWork().limit(Limit.BACKSIGHT_DISTANCE);
        return gained > ONE_DEGREE && Math.max(effect, Math.abs(trial.constant())) > limit;
    }

    /** Whether a scale or constant explains what no single mark does. */
    static boolean explains(Evidence evidence, Free free) {
        double byOneMark = free.resected().squares().orElse(0)
                - free.resected().sights().stream()
                        .mapToDouble(s -> s.statistic().orElse(0))
                        .max()
                        .orElse(0);
        return free.resected()
                .scale()
                .filter(trial -> isSuspect(evidence, free, trial))
                .filter(trial -> Math.min(trial.squaresFree(), trial.squaresConstant()) + BETTER < byOneMark)
                .isPresent();
    }

    private static Finding found(Evidence evidence, Free free, ScaleTrial trial) {
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
        return Finding.of(
                        "scale-suspect",
                        Severity.WARN,
                        free.name(),
                        "",
                        "The distances to all marks are off together: %s.".formatted(why))
                .with(Measure.PLAIN, trial.ppm(), trial.stdDev());
    }

    private static boolean isNear(double factor, double of) {
        return Math.abs(factor / of - 1) < 0.01;
    }

    private static String signed(Evidence evidence, double metres) {
        return (metres < 0 ? "-" : "+") + evidence.words().difference(metres);
    }
}
