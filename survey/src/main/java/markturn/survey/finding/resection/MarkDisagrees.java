package markturn.survey.finding.resection;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.FreeStationEvidence;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.result.Resected.Suspicion;

/** A mark that does not fit the others; or marks of which it cannot be told which does not. */
final class MarkDisagrees implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return Stream.concat(byTheirTests(evidence), byTypedLimit(evidence));
    }

    /** A residual that somebody's own limit does not allow, whatever chance and the marks' tests say. */
    private static Stream<Finding> byTypedLimit(Evidence evidence) {
        return evidence.out(Limit.RESECTION_POSITION)
                .filter(Judgement::typed)
                .filter(j -> FreeStationEvidence.scrutinised(evidence.measured()).stream()
                        .noneMatch(free -> free.name().equals(j.setup())
                                && free.resected().suspicion().isPresent()))
                .map(j -> Finding.of(
                                FindingCode.MARK_DISAGREES,
                                Severity.STOP,
                                j.setup(),
                                j.target(),
                                "%s lies %s from where the other marks put it; the limit typed for this job is %s. Point at it again, look whether it leans and at its target's height."
                                        .formatted(
                                                j.target(),
                                                evidence.words().difference(j.value()),
                                                evidence.words().difference(j.limit())))
                        .with(Measure.LENGTH, j.value(), j.limit()));
    }

    private static Stream<Finding> byTheirTests(Evidence evidence) {
        return FreeStationEvidence.scrutinised(evidence.measured()).stream()
                .filter(free -> free.resected().suspicion().isPresent())
                .filter(free -> free.resected().swapped().isEmpty())
                .map(free -> {
                    Suspicion suspicion = free.resected().suspicion().get();
                    return suspicion.orTogether().isPresent()
                            ? oneOrAll(evidence, free, suspicion)
                            : suspicion.isTold() ? one(evidence, free, suspicion) : several(evidence, free, suspicion);
                });
    }

    private static Finding one(Evidence evidence, FreeStationEvidence free, Suspicion suspicion) {
        String target = suspicion.targets().get(0);
        List<Sighted> others =
                free.used().stream().filter(s -> !s.target().equals(target)).toList();
        double agree = free.setup().setup().isFree()
                ? free.resected().pairs().stream()
                        .filter(p -> !p.one().equals(target) && !p.other().equals(target))
                        .mapToDouble(p -> Math.abs(p.difference()))
                        .max()
                        .orElse(0)
                : apart(others);
        boolean checked = free.setup().leaveOneOut().stream()
                .anyMatch(l -> l.target().equals(target) && l.varianceFactor().isPresent());
        String names = Words.names(others.stream().map(Sighted::target).toList());
        return Finding.of(
                        FindingCode.MARK_DISAGREES,
                        Severity.STOP,
                        free.name(),
                        target,
                        "%s does not fit: seen from here it lies %s %s of its coordinates. %s. Point at %s again, look whether it leans and at its target's height, then leave it out with a reason."
                                .formatted(
                                        target,
                                        evidence.words().difference(suspicion.shift()),
                                        Words.compass(suspicion.azimuth().getAsDouble()),
                                        checked
                                                ? "%s fit with a largest residual of %s and still check each other"
                                                        .formatted(
                                                                names,
                                                                evidence.words().difference(agree))
                                                : "Without it nothing is left to check: then sight "
                                                        + free.nextSight(evidence),
                                        target))
                .with(Measure.LENGTH, suspicion.shift(), suspicion.limit());
    }

    /** How far the others are apart sideways, at the longer of their lines, or along. */
    private static double apart(List<Sighted> others) {
        double farthest = others.stream().mapToDouble(Sighted::distance).max().orElse(0);
        double[] turns = others.stream()
                .filter(s -> s.across().isPresent())
                .mapToDouble(s -> s.across().getAsDouble() / s.distance())
                .sorted()
                .toArray();
        double sideways = turns.length < 2 ? 0 : (turns[turns.length - 1] - turns[0]) * farthest;
        return others.stream().mapToDouble(s -> Math.abs(s.along().orElse(0))).reduce(sideways, Math::max);
    }

    private static Finding oneOrAll(Evidence evidence, FreeStationEvidence free, Suspicion suspicion) {
        String target = suspicion.targets().get(0);
        return Finding.of(
                        FindingCode.MARKS_DISAGREE,
                        Severity.STOP,
                        free.name(),
                        target,
                        "Either about %s is wrong at %s, or the distances to all marks are off together: %s. These sights cannot tell which. Look at the reflector and at what is keyed in first; %s would decide it."
                                .formatted(
                                        evidence.words().difference(suspicion.shift()),
                                        Words.names(suspicion.targets()).replace(" and ", " or "),
                                        ScaleSuspect.why(
                                                evidence, suspicion.orTogether().orElseThrow()),
                                        decapital(capital(free.nextSight(evidence)))))
                .with(Measure.LENGTH, suspicion.shift(), suspicion.limit());
    }

    private static String decapital(String text) {
        return text.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + text.substring(1);
    }

    private static Finding several(Evidence evidence, FreeStationEvidence free, Suspicion suspicion) {
        return Finding.of(
                        FindingCode.MARKS_DISAGREE,
                        Severity.STOP,
                        free.name(),
                        suspicion.targets().get(0),
                        "About %s is wrong at %s, and these marks cannot tell which moved. %s would decide it."
                                .formatted(
                                        evidence.words().difference(suspicion.shift()),
                                        Words.names(suspicion.targets()).replace(" and ", " or "),
                                        capital(free.nextSight(evidence))))
                .with(Measure.LENGTH, suspicion.shift(), suspicion.limit());
    }

    private static String capital(String text) {
        return text.startsWith("one ") ? "O" + text.substring(1) : "A sight of " + text;
    }
}
