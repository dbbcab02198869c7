package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.angle.Angles;
import markturn.survey.job.Reflector;
import markturn.survey.result.MeasuredSetup.LeftOut;
import markturn.survey.result.MeasuredSetup.MarkTest;
import markturn.survey.result.Observation;

/**
 * The orientation of a circle from the rays to known marks: weighted mean of azimuth minus reduced direction. Textbook least squares in
 * one unknown.
 */
record Oriented(List<Ray> rays, double orientation, double variance) {

    /**
     * One ray.
     *
     * @param orientation azimuth minus reduced direction, radians
     * @param azimuth of its line, radians
     * @param variance of the direction, both ends' centring included
     * @param distance metres; infinite where nothing tells
     * @param count sets its direction rests on, single faces half
     */
    record Ray(
            String target,
            double orientation,
            double azimuth,
            double variance,
            double distance,
            double count,
            Reflector reflector) {}

    /** The weighted mean of at least one ray. */
    static Optional<Oriented> by(List<Ray> rays) {
        if (rays.isEmpty()) {
            return Optional.empty();
        }
        double first = rays.get(0).orientation();
        double sum = 0;
        double weights = 0;
        for (Ray ray : rays) {
            sum += Angles.shortWay(ray.orientation() - first) / ray.variance();
            weights += 1 / ray.variance();
        }
        return Optional.of(new Oriented(rays, Angles.onCircle(first + sum / weights), 1 / weights));
    }

    /** The share of a ray in the mean. */
    double share(Ray ray) {
        return variance / ray.variance();
    }

    OptionalInt redundancy() {
        return OptionalInt.of(rays.size() - 1);
    }

    OptionalDouble varianceFactor() {
        if (rays.size() < 2) {
            return OptionalDouble.empty();
        }
        double squares = rays.stream()
                .mapToDouble(r -> square(residual(r)) / r.variance())
                .sum();
        return OptionalDouble.of(squares / (rays.size() - 1));
    }

    /** Adjusted minus observed direction, radians. */
    private double residual(Ray ray) {
        return Angles.shortWay(ray.orientation() - orientation);
    }

    private double redundancyOf(Ray ray) {
        return rays.size() == 1 ? 0 : 1 - variance / ray.variance();
    }

    List<Observation> observations() {
        return rays.stream()
                .map(r -> new Observation(
                        r.target(),
                        Observation.Kind.DIRECTION,
                        residual(r),
                        Math.sqrt(r.variance()),
                        OptionalDouble.of(redundancyOf(r)),
                        true))
                .toList();
    }

    List<MarkTest> marks() {
        List<MarkTest> tests = new ArrayList<>();
        List<Observation> observations = observations();
        for (int i = 0; i < rays.size(); i++) {
            Observation direction = observations.get(i);
            OptionalDouble w = direction.standardised();
            OptionalDouble angle = direction.detectable();
            tests.add(new MarkTest(
                    direction.target(),
                    w.isPresent() ? OptionalDouble.of(square(w.getAsDouble())) : OptionalDouble.empty(),
                    angle.isPresent()
                            ? OptionalDouble.of(
                                    angle.getAsDouble() * rays.get(i).distance())
                            : OptionalDouble.empty(),
                    true));
        }
        return tests;
    }

    List<LeftOut> leaveOneOut() {
        return rays.stream().map(this::without).toList();
    }

    private LeftOut without(Ray left) {
        List<Ray> others = rays.stream().filter(r -> r != left).toList();
        if (others.size() < 2) {
            OptionalDouble none = OptionalDouble.empty();
            return new LeftOut(left.target(), none, none, none, none);
        }
        Oriented again = by(others).orElseThrow();
        return new LeftOut(
                left.target(),
                OptionalDouble.of(0),
                OptionalDouble.of(0),
                OptionalDouble.of(Angles.shortWay(again.orientation - orientation)),
                again.varianceFactor());
    }

    private static double square(double x) {
        return x * x;
    }
}
