package markturn.survey.finding.figure;

import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.result.Observation;

/**
 * The one observation of a network that fits worst, where chance does not explain it: 0.1 %, shared among all that are tested. One at a
 * time, and never dropped by itself.
 */
final class NetworkResidual implements Rule {
    private static final double ALPHA = 0.001;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().network().stream().flatMap(network -> {
            long tested = network.observations().stream()
                    .filter(w -> w.observation().standardised().isPresent())
                    .count();
            double limit = Distributions.twoSided(ALPHA / Math.max(1, tested));
            return network.worst().stream()
                    .filter(w -> w.observation().size() > limit)
                    .map(w -> found(evidence, w, limit));
        });
    }

    private static Finding found(Evidence evidence, Worth worst, double limit) {
        Observation of = worst.observation();
        String residual = of.kind().angular()
                ? evidence.words().small(of.residual())
                : evidence.words().difference(of.residual());
        boolean between = worst.setup().isEmpty()
                && (of.kind() == Observation.Kind.DISTANCE || of.kind() == Observation.Kind.ELEVATION_DIFFERENCE);
        String which = Optional.of(worst.setup())
                .filter(s -> !s.isEmpty())
                .map(s -> "the %s from %s to %s".formatted(words(of.kind()), s, of.target()))
                .orElse("the %s of %s".formatted(words(of.kind()), of.target()));
        return Finding.of(
                        FindingCode.NETWORK_RESIDUAL,
                        Severity.WARN,
                        worst.setup(),
                        of.target(),
                        "In the network %s fits worst: it would have to change by %s, %s times its deviation; limit %s. %s before anything is left out."
                                .formatted(
                                        which,
                                        residual,
                                        Words.number(of.size(), 1),
                                        Words.number(limit, 1),
                                        between
                                                ? "Look how that was measured, and measure it again"
                                                : worst.setup().isEmpty()
                                                        ? "Look where these coordinates come from, and fix the mark again"
                                                        : "Look at that sight, and observe it again"))
                .with(Measure.PLAIN, of.size(), limit);
    }

    private static String words(Observation.Kind kind) {
        return kind == Observation.Kind.ELEVATION_DIFFERENCE ? "height difference" : kind.key();
    }
}
