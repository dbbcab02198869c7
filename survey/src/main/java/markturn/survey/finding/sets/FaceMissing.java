package markturn.survey.finding.sets;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.finding.judgement.FacePairs;
import markturn.survey.finding.judgement.Judgements;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Instrument;
import markturn.survey.job.Reading;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Shot;

/** A target turned in sets that was read on one face only, and single-face detail with what that may cost. */
final class FaceMissing implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        return Stream.concat(inSets(setup), detail(evidence, setup));
    }

    private static Stream<Finding> inSets(MeasuredSetup setup) {
        return setup.booked().fixes().stream()
                .filter(fix -> Judgements.isTurnedInSets(fix.role()))
                .flatMap(fix -> fix.pointings().means().bySet().entrySet().stream()
                        .filter(e -> !e.getValue().bothFaces())
                        .map(e -> Finding.of(
                                        FindingCode.FACE_MISSING,
                                        Severity.WARN,
                                        setup.name(),
                                        fix.target(),
                                        "Set %d, %s: read on face %s only%s. Point on face %s, or strike the set out."
                                                .formatted(
                                                        e.getKey(),
                                                        fix.target(),
                                                        e.getValue().left().isPresent() ? "left" : "right",
                                                        twice(fix, e.getKey()) ? ", twice" : "",
                                                        e.getValue().left().isPresent() ? "right" : "left"))
                                .inSet(e.getKey())));
    }

    private static boolean twice(PolarFix fix, int set) {
        return fix.pointings().readings().stream()
                        .filter(b -> b.circle() == set)
                        .count()
                > 1;
    }

    private static Stream<Finding> detail(SetupEvidence evidence, MeasuredSetup setup) {
        int single = 0;
        double longest = 0;
        for (Shot shot : setup.shots()) {
            if (shot.fix().role() == Reading.Role.DETAIL && !shot.fix().isOnBothFaces()) {
                single++;
                longest = Math.max(longest, shot.horizontal().orElse(0));
            }
        }
        if (single == 0) {
            return Stream.empty();
        }
        Instrument instrument = evidence.settings().instrument(setup.setup().instrument());
        OptionalDouble collimation = last(FacePairs.collimations(setup, instrument));
        OptionalDouble index = last(FacePairs.indexes(setup, instrument));
        Words words = evidence.words();
        String cost = collimation.isEmpty()
                ? "No pair of faces in this setup tells what collimation does to them."
                : "Collimation of %s and index of %s, as last read, would move the farthest (%s) by %s sideways and %s in height; the backsight's mean of faces does not take that out."
                        .formatted(
                                words.small(collimation.getAsDouble()),
                                words.small(index.orElse(0)),
                                words.line(longest),
                                words.difference(collimation.getAsDouble() * longest),
                                words.difference(index.orElse(0) * longest));
        return Stream.of(Finding.of(
                FindingCode.FACE_MISSING,
                Severity.NOTE,
                setup.name(),
                "",
                "%d detail %s read on a single face. %s"
                        .formatted(single, single == 1 ? "point is" : "points are", cost)));
    }

    private static OptionalDouble last(List<FacePairs.Pair> pairs) {
        return pairs.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(pairs.get(pairs.size() - 1).value());
    }
}
