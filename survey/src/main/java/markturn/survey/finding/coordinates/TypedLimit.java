package markturn.survey.finding.coordinates;

import java.util.Comparator;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BinaryOperator;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;

/** A limit that somebody typed is judged exactly as typed; what chance alone does to it is said once for each, and beside each finding. */
final class TypedLimit implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        Map<Limit, Judgement> oftenest = evidence.judgements().stream()
                .filter(Judgement::isOftenByChance)
                .collect(Collectors.toMap(
                        Judgement::quantity,
                        Function.identity(),
                        BinaryOperator.maxBy(Comparator.comparingDouble(Judgement::oftenByChance)),
                        TreeMap::new));
        return oftenest.values().stream()
                .map(j -> Finding.of(
                                FindingCode.TYPED_LIMIT,
                                Severity.NOTE,
                                "",
                                "",
                                "The limit of %s for %s is judged as somebody typed it. With these instruments chance alone exceeds it in %s: sound work will be stopped. More sets, a better instrument, or a word with whoever set it."
                                        .formatted(
                                                amount(evidence, j),
                                                j.quantity()
                                                        .name()
                                                        .toLowerCase(Locale.ROOT)
                                                        .replace('_', ' '),
                                                Words.often(j.oftenByChance())))
                        .with(
                                j.quantity().dimension() == Limit.Dimension.ARC ? Measure.ARC : Measure.LENGTH,
                                j.chance(),
                                j.limit()));
    }

    private static String amount(Evidence evidence, Judgement judgement) {
        return judgement.quantity().dimension() == Limit.Dimension.ARC
                ? evidence.words().small(judgement.limit())
                : evidence.words().difference(judgement.limit());
    }
}
