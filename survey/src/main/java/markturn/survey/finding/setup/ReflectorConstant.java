package markturn.survey.finding.setup;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.MeasuredSetup;

/** A backsight distance that is wrong by just the difference between two reflector constants. */
final class ReflectorConstant implements Rule {

    /** Constants in wide use, metres. Common practice, no source. */
    private static final double[] USUAL = {0, -0.030, -0.0344, -0.0175, 0.0225};

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.out(Limit.BACKSIGHT_DISTANCE).flatMap(out -> {
            MeasuredSetup setup = evidence.measured().setup(out.setup());
            Optional<PolarFix> fix = setup.booked().fixes().stream()
                    .filter(f -> f.target().equals(out.target()) && f.role() == Reading.Role.BACKSIGHT)
                    .findFirst();
            if (fix.isEmpty()) {
                return Stream.empty();
            }
            double used = evidence.job().reflector(fix.get().reflector()).constant();
            double tolerance = out.limit() / 2;
            Optional<String> cause = otherConstant(evidence, used, out.value(), tolerance)
                    .or(() -> Math.abs(out.value() + used) <= tolerance && used != 0
                            ? Optional.of("the constant of %s (%s) not being applied at all would explain it"
                                    .formatted(fix.get().reflector(), signed(evidence, used)))
                            : Optional.empty());
            return cause.stream()
                    .map(why -> Finding.of(
                                    FindingCode.REFLECTOR_CONSTANT,
                                    Severity.WARN,
                                    setup.name(),
                                    out.target(),
                                    "The distance to %s is %s too %s: %s. Look at the reflector and at what is keyed in."
                                            .formatted(
                                                    out.target(),
                                                    evidence.words().difference(out.value()),
                                                    out.value() > 0 ? "long" : "short",
                                                    why))
                            .with(Measure.LENGTH, out.value(), out.limit()));
        });
    }

    private static Optional<String> otherConstant(Evidence evidence, double used, double value, double tolerance) {
        return DoubleStream.concat(
                        evidence.job().reflectors().stream().mapToDouble(Reflector::constant), DoubleStream.of(USUAL))
                .filter(constant -> Math.abs(constant - used) > tolerance)
                .filter(constant -> Math.abs(value + (constant - used)) <= tolerance)
                .boxed()
                .min(Comparator.comparingDouble(constant -> Math.abs(value + (constant - used))))
                .map(constant -> "a reflector constant of %s instead of %s would explain it"
                        .formatted(signed(evidence, constant), signed(evidence, used)));
    }

    private static String signed(Evidence evidence, double constant) {
        return (constant < 0 ? "-" : "") + evidence.words().difference(constant);
    }
}
