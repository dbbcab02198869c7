package markturn.survey.finding.backsight;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.judgement.Judgement.Verdict;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;

/** The comparisons of backsights with their coordinates that chance does not explain; none where a zenith angle has the wrong face. */
final class BacksightComparisons {
    private BacksightComparisons() {}

    static Stream<Judgement> beyondChance(Evidence evidence, Limit quantity) {
        return evidence.judgements().stream()
                .filter(j -> j.quantity() == quantity && j.verdict() != Verdict.WITHIN_CHANCE)
                .filter(j -> !evidence.measured().setup(j.setup()).booked().isOnWrongFace(j.target()));
    }

    /** Over its limit a stop; within it a warning where the mark is new control, a note where it was given. */
    static Severity severity(Evidence evidence, Judgement judged) {
        boolean carried = evidence.measured()
                .mark(evidence.job().trueName(judged.target()))
                .filter(m -> m.mark().kind() == Mark.Kind.NEW)
                .isPresent();
        return judged.isOut() ? Severity.STOP : carried ? Severity.WARN : Severity.NOTE;
    }

    /** The limit, and where it is kept what chance explains. */
    static String limit(Evidence evidence, Judgement judged) {
        String limit = "limit " + evidence.words().difference(judged.limit());
        return judged.isOut()
                ? limit
                : limit + ", but chance explains only " + evidence.words().difference(judged.chance());
    }
}
