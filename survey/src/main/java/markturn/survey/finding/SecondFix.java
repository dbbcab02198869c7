package markturn.survey.finding;

import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;

/** A mark seen a second time at another place. */
final class SecondFix implements Rule {

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return Stream.concat(
                evidence.out(Limit.SECOND_FIX_POSITION).map(out -> found(evidence, out, "position", "")),
                evidence.out(Limit.SECOND_FIX_ELEVATION)
                        .map(out -> found(evidence, out, "elevation", out.value() > 0 ? " higher" : " lower")));
    }

    private static Finding found(Evidence evidence, Judgement out, String what, String which) {
        boolean control = evidence.measured()
                .mark(out.target())
                .filter(m -> m.mark().kind() != Mark.Kind.LOCATED)
                .isPresent();
        return Finding.of(
                        "second-fix",
                        control ? Severity.STOP : Severity.WARN,
                        out.setup(),
                        out.target(),
                        "Seen again from %s, %s lies %s%s of its first %s; limit %s. Nothing was overwritten: look which sight is wrong, then keep the first, mean them or replace it by a decision."
                                .formatted(
                                        out.setup().isEmpty() ? "satellites" : out.setup(),
                                        out.target(),
                                        evidence.words().difference(out.value()),
                                        which.isEmpty() ? " out" : which,
                                        what,
                                        evidence.words().difference(out.limit())))
                .with(Measure.LENGTH, out.value(), out.limit());
    }
}
