package markturn.survey.finding.sets;

import java.util.Comparator;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.job.Limit;

/** The instrument’s own figures, not the class, set a limit: said once for the job. */
final class CannotHoldClass implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.judgements().stream()
                .filter(Judgement::chanceGoverns)
                .max(Comparator.comparingDouble(j -> j.limit() / j.classLimit()))
                .stream()
                .map(worst -> Finding.of(
                                FindingCode.CANNOT_HOLD_CLASS,
                                Severity.NOTE,
                                "",
                                "",
                                "With the figures of this instrument, chance alone goes beyond some limits of the class %s (%s: class %s, chance %s). What is judged is the larger of the two. More sets, or a better instrument, would hold the class."
                                        .formatted(
                                                evidence.job()
                                                        .classOfWork()
                                                        .preset()
                                                        .words(),
                                                name(worst.quantity()),
                                                amount(evidence, worst, worst.classLimit()),
                                                amount(evidence, worst, worst.limit())))
                        .with(
                                worst.quantity().dimension() == Limit.Dimension.ARC ? Measure.ARC : Measure.LENGTH,
                                worst.limit(),
                                worst.classLimit()));
    }

    private static String amount(Evidence evidence, Judgement judgement, double amount) {
        return judgement.quantity().dimension() == Limit.Dimension.ARC
                ? evidence.words().small(amount)
                : evidence.words().difference(amount);
    }

    private static String name(Limit quantity) {
        return quantity.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }
}
