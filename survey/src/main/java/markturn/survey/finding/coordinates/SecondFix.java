package markturn.survey.finding.coordinates;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;

/** A mark seen a second time at another place. */
final class SecondFix implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return Stream.concat(
                beyondChance(evidence, Limit.SECOND_FIX_POSITION).map(j -> found(evidence, j, "position", "")),
                beyondChance(evidence, Limit.SECOND_FIX_ELEVATION)
                        .map(j -> found(evidence, j, "elevation", j.value() > 0 ? " higher" : " lower")));
    }

    private static Stream<Judgement> beyondChance(Evidence evidence, Limit quantity) {
        return evidence.beyondChance().stream().filter(j -> j.quantity() == quantity);
    }

    private static Finding found(Evidence evidence, Judgement judged, String what, String which) {
        boolean out = judged.isOut();
        return Finding.of(
                        FindingCode.SECOND_FIX,
                        out ? Severity.STOP : isBuiltOn(evidence, judged) ? Severity.WARN : Severity.NOTE,
                        judged.setup(),
                        judged.target(),
                        "Seen again from %s, %s lies %s%s of its first %s; limit %s%s. Nothing was overwritten: %s"
                                .formatted(
                                        judged.setup().isEmpty() ? "satellites" : judged.setup(),
                                        judged.target(),
                                        evidence.words().difference(judged.value()),
                                        which.isEmpty() ? " out" : which,
                                        what,
                                        evidence.words().difference(judged.limit()),
                                        out
                                                ? ""
                                                : ", but chance explains only "
                                                        + evidence.words().difference(judged.chance()),
                                        out
                                                ? "look which sight is wrong, then keep the first, mean them or replace it by a decision."
                                                : "something is off, though by less than the limit; look at target, height and mark."))
                .with(Measure.LENGTH, judged.value(), judged.limit());
    }

    /** New control, and what was sighted as a check: on these something rests. */
    private static boolean isBuiltOn(Evidence evidence, Judgement judged) {
        boolean control = evidence.measured()
                .mark(judged.target())
                .filter(m -> m.mark().kind() != Mark.Kind.LOCATED)
                .isPresent();
        return control
                || evidence.job().setup(judged.setup()).stream()
                        .flatMap(s -> s.readings().stream())
                        .anyMatch(r -> r.stands()
                                && r.role() == Reading.Role.CHECK
                                && evidence.job().trueName(r.target()).equals(judged.target()));
    }
}
