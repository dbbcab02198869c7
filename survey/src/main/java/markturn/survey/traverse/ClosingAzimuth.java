package markturn.survey.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/**
 * The known azimuth of the last leg, from the end of a route back along it.
 *
 * @param back the sight back from the end
 * @param orientation azimuth of that setup's direction zero by marks that are fixed, radians
 * @param variance of the orientation, radians squared
 */
record ClosingAzimuth(Route.Sight back, double orientation, double variance) {

    /** By the setup's own orientation. */
    static ClosingAzimuth asOriented(Route.Sight back) {
        MeasuredSetup setup = back.setup();
        return new ClosingAzimuth(
                back,
                setup.orientation().orElseThrow(),
                setup.orientationVariance().orElse(0));
    }

    /**
     * By the setup's own orientation, where fixed marks alone give it; else by the fixed marks that it sighted beside the station before:
     * whoever arrives on a known mark under another name takes that station as the backsight and a known mark as a sight among others.
     *
     * @param known positions by true name
     * @param isFixed whether a mark, by its true name, has coordinates that the route does not carry
     * @return empty where the setup sighted nothing that is fixed
     */
    static Optional<ClosingAzimuth> of(
            Job job, Route.Sight back, Map<String, Position> known, Predicate<String> isFixed) {
        MeasuredSetup setup = back.setup();
        boolean own = setup.orientation().isPresent()
                && setup.setup().orientation() instanceof Setup.BySights by
                && by.sights().stream().map(job::trueName).allMatch(isFixed);
        return own ? Optional.of(asOriented(back)) : byFixedMarks(job, back, known, isFixed);
    }

    private record Ray(double orientation, double weight) {}

    /** The weighted mean, by the weights of an occupied setup's orientation. */
    private static Optional<ClosingAzimuth> byFixedMarks(
            Job job, Route.Sight back, Map<String, Position> known, Predicate<String> isFixed) {
        MeasuredSetup setup = back.setup();
        Position station = known.get(job.trueName(setup.setup().station()));
        Weights weights = Weights.of(job, setup.setup());
        List<Ray> rays = new ArrayList<>();
        for (SetAbstract sets : setup.abstracts()) {
            String mark = job.trueName(sets.target());
            Position at = known.get(mark);
            OptionalDouble direction = sets.direction();
            if (at == null || direction.isEmpty() || !isFixed.test(mark) || sets == back.sets()) {
                continue;
            }
            double distance = station.distanceTo(at);
            var reflector = job.sighted(sets.fix().pointings().readings().get(0).reading());
            rays.add(new Ray(
                    station.azimuthTo(at) - direction.getAsDouble(),
                    1 / weights.direction(Math.max(0.5, sets.count()), reflector, distance)));
        }
        if (rays.isEmpty()) {
            return Optional.empty();
        }
        double first = rays.get(0).orientation();
        double all = rays.stream().mapToDouble(Ray::weight).sum();
        double off = rays.stream()
                .mapToDouble(ray -> ray.weight() * Angles.shortWay(ray.orientation() - first))
                .sum();
        return Optional.of(new ClosingAzimuth(back, Angles.onCircle(first + off / all), 1 / all));
    }

    /** From the end back along the last leg. */
    double azimuth() {
        return orientation + back.direction().orElseThrow();
    }
}
