package markturn.survey.finding;

import java.util.List;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;

/** What chance does to a limit that somebody typed, said beside each finding that was held against it. */
final class BesideTypedLimits {
    private BesideTypedLimits() {}

    /** A finding with what chance does to the typed limit that it was held against; any other as it is. */
    static Finding said(Finding finding, List<Judgement> out) {
        if (finding.value().isEmpty()) {
            return finding;
        }
        double value = Math.abs(finding.value().getAsDouble());
        return out.stream()
                .filter(j -> j.isOftenByChance()
                        && j.setup().equals(finding.setup())
                        && j.target().equals(finding.target())
                        && Math.abs(j.value()) == value)
                .findFirst()
                .map(j -> finding.saying("%s Chance alone exceeds this limit in %s."
                        .formatted(finding.text(), Words.often(j.oftenByChance()))))
                .orElse(finding);
    }
}
