package markturn.survey.finding.setup;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.Heights;
import markturn.survey.result.MeasuredSetup;

/**
 * Heights after instrument and target changed places on their tribrachs. Whatever the two differ in, each tribrach keeps its height, so
 * that instrument and target height together stay what they were. Follows from the construction; common practice, no source.
 */
final class HeightAfterMove implements Rule {
    /** Four tapings of one sum each: two before, two after. */
    private static final double TAPINGS = 4;

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        List<MeasuredSetup> setups = evidence.measured().setups();
        return setups.stream()
                .filter(s -> s.setup().settingUp().centringStdDev().isPresent())
                .flatMap(after -> setups.subList(0, setups.indexOf(after)).stream()
                        .filter(before -> changedPlaces(evidence.job(), before, after))
                        .reduce((earlier, later) -> later)
                        .flatMap(before -> compare(evidence, before, after))
                        .stream());
    }

    private static boolean changedPlaces(Job job, MeasuredSetup before, MeasuredSetup after) {
        return forcedTarget(job, before, after.setup().station()).isPresent()
                && forcedTarget(job, after, before.setup().station()).isPresent();
    }

    private static Optional<Reading> forcedTarget(Job job, MeasuredSetup setup, String mark) {
        return setup.booked().readings().stream()
                .map(BookedReading::reading)
                .filter(r -> r.centringStdDev().isPresent()
                        && job.trueName(r.target()).equals(job.trueName(mark)))
                .findFirst();
    }

    private static Optional<Finding> compare(Evidence evidence, MeasuredSetup before, MeasuredSetup after) {
        Job job = evidence.job();
        OptionalDouble sumBefore = sum(job, before, after.setup().station());
        OptionalDouble sumAfter = sum(job, after, before.setup().station());
        if (sumBefore.isEmpty() || sumAfter.isEmpty()) {
            return Optional.empty();
        }
        double change = sumAfter.getAsDouble() - sumBefore.getAsDouble();
        double sigma = job.instrument(after.setup().instrument()).heightStdDev();
        double limit = Math.max(
                2 * job.classOfWork().limit(Limit.HEIGHT_TWICE),
                Distributions.twoSided(0.001) * sigma * Math.sqrt(TAPINGS));
        if (Math.abs(change) <= limit) {
            return Optional.empty();
        }
        return Optional.of(Finding.of(
                        FindingCode.HEIGHT_AFTER_MOVE,
                        Severity.WARN,
                        after.name(),
                        before.setup().station(),
                        "Instrument and target changed places between %s and %s on their tribrachs, so their heights together cannot change; they changed by %s, limit %s. Tape both again: one of the four is wrong."
                                .formatted(
                                        before.setup().station(),
                                        after.setup().station(),
                                        evidence.words().difference(change),
                                        evidence.words().difference(limit)))
                .with(Measure.LENGTH, change, limit));
    }

    private static OptionalDouble sum(Job job, MeasuredSetup setup, String target) {
        OptionalDouble instrument = setup.instrumentHeight();
        OptionalDouble sighted = forcedTarget(job, setup, target)
                .map(r -> Heights.ofTarget(job, r))
                .orElse(OptionalDouble.empty());
        return instrument.isPresent() && sighted.isPresent()
                ? OptionalDouble.of(instrument.getAsDouble() + sighted.getAsDouble())
                : OptionalDouble.empty();
    }
}
