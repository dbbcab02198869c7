package markturn.survey.traverse;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse.Leg;
import markturn.survey.result.MeasuredTraverse.Predicted;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/**
 * What chance makes of each misclosure of a route, from the instrument's figures: every source once, through the angles it turns and the
 * lengths it changes, after the angles were balanced where they close. An instrument's centring turns both directions of its angle and
 * changes the lengths of both legs; its height raises one leg and lowers the other. First order.
 */
final class PredictedClosure {
    private final Job job;
    private final Route route;
    private final List<Leg> legs;
    private final List<Position> stations;
    /** By source: what one deviation of it turns at each station and at the end (radians), adds to each leg, and lifts the end by (metres). */
    private final Map<String, Effect> effects = new HashMap<>();

    /** One source. */
    private final class Effect {
        private final double[] angles = new double[legs.size() + 1];
        private final double[] lengths = new double[legs.size()];
        private double up;
    }

    private PredictedClosure(Job job, Route route, List<Leg> legs, List<Position> stations) {
        this.job = job;
        this.route = route;
        this.legs = legs;
        this.stations = stations;
    }

    /**
     * Predicts.
     *
     * @param onward the sight that carries on from each station but the last
     * @param stations where they lie as carried
     * @param closing the azimuth of the last leg that it closes on; empty where it does not close
     * @param turned how many angles share the angular misclosure
     */
    static Predicted predicted(
            Job job,
            Route route,
            List<Route.Sight> onward,
            List<Leg> legs,
            List<Position> stations,
            Optional<ClosingAzimuth> closing,
            int turned) {
        PredictedClosure closure = new PredictedClosure(job, route, legs, stations);
        for (int i = 0; i < legs.size(); i++) {
            closure.onward(i, onward.get(i));
            closure.backward(i);
        }
        closing.ifPresent(closure::close);
        return closure.predicted(turned);
    }

    private Effect of(String source) {
        return effects.computeIfAbsent(source, key -> new Effect());
    }

    private static int ways(Leg leg) {
        return leg.bothWays().isPresent() ? 2 : 1;
    }

    /** The angle at a station and the leg from it. */
    private void onward(int i, Route.Sight sight) {
        MeasuredSetup setup = sight.setup();
        direction(i, sight, i + 1, 1);
        Optional<SetAbstract> back = i == 0 ? Optional.empty() : route.in(setup, route.mark(i - 1));
        if (back.isPresent()) {
            direction(i, new Route.Sight(setup, back.get()), i - 1, -1);
        } else {
            of(setup.name() + " orientation").angles[i] +=
                    Math.sqrt(setup.orientationVariance().orElse(0));
        }
        measured(i, sight, i, i + 1, 1.0 / ways(legs.get(i)));
    }

    /** A leg measured from its other end too. */
    private void backward(int i) {
        if (legs.get(i).bothWays().isPresent()) {
            route.back(i + 1).ifPresent(back -> measured(i, back, i + 1, i, 0.5));
        }
    }

    private void close(ClosingAzimuth on) {
        Route.Sight back = on.back();
        int end = legs.size();
        boolean held =
                route.isLoop() && back.setup() == route.onward(0).orElseThrow().setup();
        of(back.setup().name() + " orientation").angles[end] -= Math.sqrt(on.variance());
        direction(end, back, end - 1, -1);
        if (held) {
            // The ray is held, not the azimuth it started with: that one cancels.
            Effect orientation = of(back.setup().name() + " orientation");
            orientation.angles[end] = -orientation.angles[0];
        }
    }

    private Weights weights(Route.Sight sight) {
        return Weights.of(job, sight.setup().setup());
    }

    private Reflector reflector(Route.Sight sight) {
        return job.sighted(sight.sets().fix().pointings().readings().get(0).reading());
    }

    /** Along and across a line between two stations of the route, one each. */
    private double[] line(int from, int to) {
        double north = stations.get(to).northing() - stations.get(from).northing();
        double east = stations.get(to).easting() - stations.get(from).easting();
        double length = Math.max(Math.hypot(north, east), Weights.NEAREST);
        return new double[] {north / length, east / length, length};
    }

    /** A direction that takes part in the angle at a station: its pointing, and the centring of both its ends. */
    private void direction(int station, Route.Sight sight, int target, int sign) {
        double[] along = line(station, target);
        String setup = sight.setup().name();
        of(setup + " pointing " + route.mark(target)).angles[station] += sign
                * Math.sqrt(weights(sight).pointing(Math.max(0.5, sight.sets().count())));
        double stood = reflector(sight).centringStdDev();
        double centring = weights(sight).instrumentCentring();
        double byNorth = -sign * along[1] / along[2];
        double byEast = sign * along[0] / along[2];
        of(setup + " target " + route.mark(target) + " north").angles[station] += stood * byNorth;
        of(setup + " target " + route.mark(target) + " east").angles[station] += stood * byEast;
        of(setup + " instrument north").angles[station] -= centring * byNorth;
        of(setup + " instrument east").angles[station] -= centring * byEast;
    }

    /** A length and a height difference that take part in a leg by some share. */
    private void measured(int leg, Route.Sight sight, int from, int to, double share) {
        double[] along = line(from, to);
        String setup = sight.setup().name();
        Weights weights = weights(sight);
        SetAbstract sets = sight.sets();
        double distances = Math.max(1, sets.fix().pointings().means().distanceCount());
        double length = legs.get(leg).horizontal();
        of(setup + " distance " + route.mark(to)).lengths[leg] += share * Math.sqrt(weights.ranging(distances, length));
        double stood = reflector(sight).centringStdDev();
        of(setup + " target " + route.mark(to) + " north").lengths[leg] += share * stood * along[0];
        of(setup + " target " + route.mark(to) + " east").lengths[leg] += share * stood * along[1];
        of(setup + " instrument north").lengths[leg] -= share * weights.instrumentCentring() * along[0];
        of(setup + " instrument east").lengths[leg] -= share * weights.instrumentCentring() * along[1];
        OptionalDouble zenith = sets.zenith();
        if (zenith.isPresent() && sets.horizontal().isPresent()) {
            int sense = to > from ? 1 : -1;
            of(setup + " zenith " + route.mark(to)).up += sense
                    * share
                    * Math.sqrt(weights.rise(
                            Math.max(0.5, sets.fix().pointings().means().zenithCount()),
                            distances,
                            length,
                            zenith.getAsDouble()));
            of(setup + " height of " + route.mark(to)).up -=
                    sense * share * reflector(sight).heightStdDev();
            of(setup + " instrument height").up +=
                    sense * share * weights.instrument().heightStdDev();
        }
    }

    private Predicted predicted(int turned) {
        double angular = 0;
        double elevation = 0;
        Covariance plan = Covariance.NONE;
        for (Effect effect : effects.values()) {
            double misclosure = 0;
            for (double angle : effect.angles) {
                misclosure += angle;
            }
            double azimuth = 0;
            double north = 0;
            double east = 0;
            for (int i = 0; i < legs.size(); i++) {
                Leg leg = legs.get(i);
                azimuth += effect.angles[i];
                double balanced = turned > 0 ? azimuth - misclosure * (i + 1) / turned : azimuth;
                north += effect.lengths[i] * Math.cos(leg.azimuth()) - balanced * leg.departure();
                east += effect.lengths[i] * Math.sin(leg.azimuth()) + balanced * leg.latitude();
            }
            angular += misclosure * misclosure;
            elevation += effect.up * effect.up;
            plan = plan.plus(new Covariance(north * north, east * east, north * east));
        }
        return new Predicted(Math.sqrt(angular), plan, Math.sqrt(elevation));
    }
}
