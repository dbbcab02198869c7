package markturn.survey.finding.sets;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/** A set in which one target lies on the direction of another: the two were swapped. */
final class TargetsSwapped implements SetupRule {
    private static final double FAR_OFF = 180 * Angles.SECOND;
    private static final double ON_IT = 90 * Angles.SECOND;

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        return setup.abstracts().stream()
                .filter(sets -> sets.sets() > 1)
                .flatMap(sets -> swapped(evidence, setup, sets));
    }

    private static Stream<Finding> swapped(SetupEvidence evidence, MeasuredSetup setup, SetAbstract sets) {
        List<Finding> found = new ArrayList<>();
        double usual = median(sets.directions());
        for (int i = 0; i < sets.directions().size(); i++) {
            OptionalDouble direction = sets.directions().get(i);
            if (direction.isEmpty() || Math.abs(Angles.shortWay(direction.getAsDouble() - usual)) < FAR_OFF) {
                continue;
            }
            int set = i + 1;
            double off = Angles.shortWay(direction.getAsDouble() - usual);
            setup.abstracts().stream()
                    .filter(other -> other != sets)
                    .filter(other -> other.directions().stream()
                            .anyMatch(d -> d.isPresent()
                                    && Math.abs(Angles.shortWay(d.getAsDouble() - direction.getAsDouble())) < ON_IT))
                    .findFirst()
                    .ifPresent(other -> found.add(Finding.of(
                                    FindingCode.WRONG_TARGET,
                                    Severity.STOP,
                                    setup.name(),
                                    sets.target(),
                                    "Set %d: what is booked as %s lies %s from its other sets and on the direction of %s. Likeliest: the targets were swapped. Strike it out and point again."
                                            .formatted(
                                                    set,
                                                    sets.target(),
                                                    evidence.words().angle(Math.abs(off)),
                                                    other.target()))
                            .inSet(set)
                            .with(Measure.ARC, off, FAR_OFF)));
        }
        return found.stream();
    }

    private static double median(List<OptionalDouble> directions) {
        List<Double> present = directions.stream()
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .toList();
        return present.stream()
                .min(Comparator.comparingDouble(d -> present.stream()
                        .mapToDouble(o -> Math.abs(Angles.shortWay(o - d)))
                        .sum()))
                .orElseThrow();
    }
}
