package markturn.survey.finding.figure;

import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredTraverse;

/** A traverse that closes worse than its class and chance allow: in angle, in place, in elevation. */
final class Misclosure implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().traverses().stream()
                .filter(t -> t.northing().isPresent())
                .flatMap(t -> Stream.of(angle(evidence, t), linear(evidence, t), elevation(evidence, t))
                        .flatMap(Optional::stream));
    }

    private static Optional<Finding> angle(Evidence evidence, MeasuredTraverse of) {
        if (of.angular().isEmpty()) {
            return Optional.empty();
        }
        double value = of.angular().getAsDouble();
        double limit = TraverseLimits.angular(evidence.job(), of);
        return Math.abs(value) <= limit
                ? Optional.empty()
                : Optional.of(stop(
                        FindingCode.MISCLOSURE_ANGLE,
                        of,
                        Measure.ARC,
                        value,
                        limit,
                        "%s closes in angle by %s; limit %s, from %d angles. One angle may be wrong: look at the suspects, and turn the likeliest again."
                                .formatted(
                                        of.name(),
                                        evidence.words().small(value),
                                        evidence.words().small(limit),
                                        of.angles())));
    }

    private static Optional<Finding> linear(Evidence evidence, MeasuredTraverse of) {
        double value = of.linear().getAsDouble();
        double limit = TraverseLimits.linear(evidence.job(), of);
        double n = evidence.job().classOfWork().limit(Limit.LINEAR_MISCLOSURE);
        return value <= limit
                ? Optional.empty()
                : Optional.of(stop(
                        FindingCode.MISCLOSURE_LINEAR,
                        of,
                        Measure.LENGTH,
                        value,
                        limit,
                        "%s misses its end by %s in %s (1:%s, class 1:%s); limit %s. One length, or an angle, may be wrong: look at the suspects."
                                .formatted(
                                        of.name(),
                                        evidence.words().difference(value),
                                        evidence.words().line(of.length().getAsDouble()),
                                        Words.number(of.ratio().orElse(0), 0),
                                        Words.number(n, 0),
                                        evidence.words().difference(limit))));
    }

    private static Optional<Finding> elevation(Evidence evidence, MeasuredTraverse of) {
        if (of.elevation().isEmpty()) {
            return Optional.empty();
        }
        double value = of.elevation().getAsDouble();
        double limit = TraverseLimits.elevation(evidence.job(), of);
        return Math.abs(value) <= limit
                ? Optional.empty()
                : Optional.of(stop(
                        FindingCode.MISCLOSURE_ELEVATION,
                        of,
                        Measure.LENGTH,
                        value,
                        limit,
                        "%s closes in elevation by %s; limit %s. A height of instrument or target is likelier wrong than a zenith angle: look at each pair."
                                .formatted(
                                        of.name(),
                                        evidence.words().difference(value),
                                        evidence.words().difference(limit))));
    }

    private static Finding stop(
            FindingCode code, MeasuredTraverse of, Measure measure, double value, double limit, String text) {
        int last = of.traverse().route().size() - 1;
        return Finding.of(code, Severity.STOP, "", of.traverse().route().get(last), text)
                .with(measure, value, limit);
    }
}
