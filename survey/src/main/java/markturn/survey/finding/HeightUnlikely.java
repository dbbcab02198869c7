package markturn.survey.finding;

import java.util.HashSet;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import markturn.survey.finding.Finding.Measure;
import markturn.survey.finding.Finding.Severity;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.Heights;
import markturn.survey.result.MeasuredSetup;

/** A height of instrument or reflector that is hardly ever met. Bounds: common practice, no source. */
final class HeightUnlikely implements SetupRule {

    private static final double LOWEST_INSTRUMENT = 0.15;
    private static final double HIGHEST_INSTRUMENT = 2.2;
    private static final double HIGHEST_REFLECTOR = 5.2;

    @Override
    public Stream<Finding> judge(Evidence evidence, MeasuredSetup setup) {
        return Stream.concat(instrument(evidence, setup), reflectors(evidence, setup));
    }

    private static Stream<Finding> instrument(Evidence evidence, MeasuredSetup setup) {
        OptionalDouble height = setup.instrumentHeight();
        if (height.isEmpty()
                || setup.setup().instrumentHeight().isEmpty()
                || (height.getAsDouble() >= LOWEST_INSTRUMENT && height.getAsDouble() <= HIGHEST_INSTRUMENT)) {
            return Stream.empty();
        }
        return Stream.of(Finding.of(
                        "height-unlikely",
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

    private static Stream<Finding> reflectors(Evidence evidence, MeasuredSetup setup) {
        Set<String> told = new HashSet<>();
        return setup.booked().readings().stream()
                .map(BookedReading::reading)
                .filter(r -> Heights.ofTarget(evidence.job(), r).isPresent())
                .filter(r -> Math.abs(Heights.ofTarget(evidence.job(), r).getAsDouble()) > HIGHEST_REFLECTOR)
                .filter(r -> told.add(r.target()))
                .map(r -> {
                    double height = Heights.ofTarget(evidence.job(), r).getAsDouble();
                    return Finding.of(
                                    "height-unlikely",
                                    Severity.WARN,
                                    setup.name(),
                                    r.target(),
                                    "The target height of %s at %s is beyond any usual pole (%s). Look at the pole and note the height again."
                                            .formatted(
                                                    evidence.words().height(height),
                                                    r.target(),
                                                    evidence.words().height(HIGHEST_REFLECTOR)))
                            .with(Measure.LENGTH, height, HIGHEST_REFLECTOR);
                });
    }
}
