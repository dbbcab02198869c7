package markturn.survey.finding.figure;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.result.MeasuredNetwork;

/** A network whose residuals are larger than its instruments' figures allow, by itself or on its control. */
final class NetworkVarianceRule implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().network().stream()
                .filter(n -> n.why().isPresent() || !n.test().accepted())
                .map(NetworkVarianceRule::found);
    }

    private static Finding found(MeasuredNetwork network) {
        if (network.why().isPresent()) {
            return Finding.of(
                    FindingCode.NETWORK_TEST,
                    Severity.WARN,
                    "",
                    "",
                    "The network cannot be adjusted: %s."
                            .formatted(network.why().get()));
        }
        double factor = network.test().varianceFactor().getAsDouble();
        double limit = network.test().limit().getAsDouble();
        return Finding.of(
                        FindingCode.NETWORK_TEST,
                        Severity.WARN,
                        "",
                        "",
                        "On control the network's variance factor is %s; limit %s. %s"
                                .formatted(
                                        Words.number(factor, 2),
                                        Words.number(limit, 2),
                                        network.controlContradicts()
                                                ? "By themselves the sights agree: a control mark does not fit, or has moved%s."
                                                        .formatted(
                                                                network.observesCoordinates()
                                                                        ? ", or coordinates that are observed are wrong"
                                                                        : "")
                                                : "Look at the largest residual first: an observation is wrong, or the instruments are worse than their figures."))
                .with(Measure.PLAIN, factor, limit);
    }
}
