package markturn.survey.finding.resection;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;
import markturn.survey.result.Observation;
import markturn.survey.result.Resected.ScaleTrial;

/** The elevation of one mark off, while the others agree; often by a round number that was typed wrong. */
final class ElevationRoundError implements Rule {
    /** Heights are mistyped or poles mis-set by these. Common practice, no source. */
    private static final double[] ROUND = {0.05, 0.1, 0.2, 0.3, 0.5, 1, 2, 5, 10};

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.freeStations()
                .filter(free -> free.resected().swapped().isEmpty())
                .flatMap(free -> free.setup().observations().stream()
                        .filter(o -> o.used() && o.kind() == Observation.Kind.ELEVATION_DIFFERENCE)
                        .filter(o -> o.redundancy().orElse(0) > 0.01)
                        .max(Comparator.comparingDouble(
                                o -> Math.abs(o.standardised().orElse(0))))
                        .flatMap(o -> judge(evidence, free, o))
                        .stream());
    }

    private static Optional<Finding> judge(Evidence evidence, FreeStationEvidence free, Observation worst) {
        boolean out = evidence.out(Limit.RESECTION_ELEVATION)
                .anyMatch(j -> j.setup().equals(free.name()) && j.target().equals(worst.target()));
        if (!out) {
            return Optional.empty();
        }
        // The whole error shows when the mark no longer pulls at the mean: v/r.
        double error = worst.residual() / worst.redundancy().getAsDouble();
        double limit = evidence.job().classOfWork().limit(Limit.RESECTION_ELEVATION);
        double byDistances = byDistances(evidence, free, worst);
        if (Math.abs(error - byDistances) <= limit) {
            return Optional.of(Finding.of(
                            FindingCode.MARK_DISAGREES,
                            Severity.NOTE,
                            free.name(),
                            worst.target(),
                            "The elevation of %s does not fit by %s: the distances that are off together make %s of it. Mend those first."
                                    .formatted(
                                            worst.target(),
                                            evidence.words().difference(error),
                                            evidence.words().difference(byDistances)))
                    .with(Measure.LENGTH, error, limit));
        }
        double round = 0;
        for (double candidate : ROUND) {
            if (Math.abs(Math.abs(error) - candidate) <= limit / 2) {
                round = candidate;
            }
        }
        String text = round > 0
                ? "The elevation of %s is off by %s, nearly the round %s: likeliest a height typed or set wrong. Look at its pole and its height."
                        .formatted(
                                worst.target(),
                                evidence.words().difference(error),
                                evidence.words().difference(round))
                : "The elevation of %s does not fit: seen from here it lies %s %s than its elevation. Tape its target again, and look at the mark."
                        .formatted(worst.target(), evidence.words().difference(error), error < 0 ? "higher" : "lower");
        return Optional.of(Finding.of(
                        round > 0 ? FindingCode.ELEVATION_ROUND_ERROR : FindingCode.MARK_DISAGREES,
                        Severity.STOP,
                        free.name(),
                        worst.target(),
                        text)
                .with(Measure.LENGTH, error, limit));
    }

    /**
     * What distances that are all off by one constant or scale make of a mark's elevation, metres: each rise is off by the cosine of its
     * zenith angle, and the station by what the others are off on the mean. 0 where the distances are sound or a mark is to blame.
     */
    private static double byDistances(Evidence evidence, FreeStationEvidence free, Observation worst) {
        Optional<ScaleTrial> trial = ScaleSuspect.suspected(evidence, free);
        if (trial.isEmpty()) {
            return 0;
        }
        double ofOthers = free.setup().observations().stream()
                .filter(o -> o.used() && o.kind() == Observation.Kind.ELEVATION_DIFFERENCE)
                .filter(o -> !o.target().equals(worst.target()))
                .mapToDouble(o -> tooLow(free, trial.get(), o.target()))
                .average()
                .orElse(0);
        return tooLow(free, trial.get(), worst.target()) - ofOthers;
    }

    /** How much lower than it is a mark was measured, metres. */
    private static double tooLow(FreeStationEvidence free, ScaleTrial trial, String target) {
        return free.setup()
                .sets(target)
                .filter(s -> s.slope().isPresent() && s.zenith().isPresent())
                .map(s -> trial.tooShort(s.slope().getAsDouble())
                        * Math.cos(s.zenith().getAsDouble()))
                .orElse(0.0);
    }
}
