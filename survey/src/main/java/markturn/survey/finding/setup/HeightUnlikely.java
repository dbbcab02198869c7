package markturn.survey.finding.setup;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.Heights;
import markturn.survey.result.MeasuredSetup;

/** A height of instrument or reflector that is hardly ever met. Bounds: common practice, no source. */
final class HeightUnlikely implements SetupRule {

    private static final double LOWEST_INSTRUMENT = 0.15;
    private static final double HIGHEST_INSTRUMENT = 2.2;
    private static final double HIGHEST_REFLECTOR = 5.2;

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        return Stream.of(instrument(evidence, setup), reflectors(evidence, setup), signs(evidence, setup))
                .flatMap(Function.identity());
    }

    /** A height of 0 is right for a prism on a wall, and one below 0 for a target that hangs from its mark: both are said once. */
    private static Stream<Finding> signs(SetupEvidence evidence, MeasuredSetup setup) {
        Set<String> told = new HashSet<>();
        return setup.booked().readings().stream()
                .map(BookedReading::reading)
                .filter(r -> !r.reflector().equals(Reflector.REFLECTORLESS))
                .filter(r -> r.targetHeight().filter(h -> h.value() <= 0).isPresent())
                .filter(r -> told.add(r.target()))
                .map(r ->
                        sign(evidence, setup, r.target(), r.targetHeight().get().value()));
    }

    private static Finding sign(SetupEvidence evidence, MeasuredSetup setup, String target, double height) {
        return Finding.of(
                        height == 0 ? FindingCode.ZERO_HEIGHT : FindingCode.HEIGHT_UNLIKELY,
                        height == 0 ? Severity.NOTE : Severity.WARN,
                        setup.name(),
                        target,
                        height == 0
                                ? "The reflector at %s stands at height 0: right for a prism on a wall or a stud; on a pole its height is missing."
                                        .formatted(target)
                                : "The reflector at %s is noted %s below its mark: right where it hangs from it; else the sign is wrong."
                                        .formatted(target, evidence.words().height(-height)))
                .with(Measure.LENGTH, height, 0);
    }

    private static Stream<Finding> instrument(SetupEvidence evidence, MeasuredSetup setup) {
        OptionalDouble height = setup.instrumentHeight();
        if (height.isEmpty()
                || setup.setup().instrumentHeight().isEmpty()
                || (height.getAsDouble() >= LOWEST_INSTRUMENT && height.getAsDouble() <= HIGHEST_INSTRUMENT)) {
            return Stream.empty();
        }
        return Stream.of(Finding.of(
                        FindingCode.HEIGHT_UNLIKELY,
                        Severity.WARN,
                        setup.name(),
                        "",
                        "The instrument stands %s over its mark; between %s and %s is usual. Tape it again."
                                .formatted(
                                        evidence.words().height(height.getAsDouble()),
                                        evidence.words().height(LOWEST_INSTRUMENT),
                                        evidence.words().height(HIGHEST_INSTRUMENT)))
                .with(Measure.LENGTH, height.getAsDouble(), HIGHEST_INSTRUMENT));
    }

    private static Stream<Finding> reflectors(SetupEvidence evidence, MeasuredSetup setup) {
        List<Finding> found = new ArrayList<>();
        Set<String> told = new HashSet<>();
        for (BookedReading booked : setup.booked().readings()) {
            Reading reading = booked.reading();
            OptionalDouble height = Heights.ofTarget(evidence.settings(), reading);
            if (height.isPresent()
                    && Math.abs(height.getAsDouble()) > HIGHEST_REFLECTOR
                    && told.add(reading.target())) {
                found.add(Finding.of(
                                FindingCode.HEIGHT_UNLIKELY,
                                Severity.WARN,
                                setup.name(),
                                reading.target(),
                                "The target height of %s at %s is beyond any usual pole (%s). Look at the pole and note the height again."
                                        .formatted(
                                                evidence.words().height(height.getAsDouble()),
                                                reading.target(),
                                                evidence.words().height(HIGHEST_REFLECTOR)))
                        .with(Measure.LENGTH, height.getAsDouble(), HIGHEST_REFLECTOR));
            }
        }
        return found.stream();
    }
}
