package markturn.survey.traverse;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Traverse;
import markturn.survey.network.Figure;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.MeasuredTraverse.Leg;
import markturn.survey.result.MeasuredTraverse.Predicted;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/**
 * One traverse: azimuths carried along the route and balanced, coordinates carried, misclosures against the known end, and the rules that
 * spread them. Textbook plane surveying; how azimuths close and what n counts is the format's.
 */
public final class TraverseRun {
    private final Job job;
    private final Traverse traverse;
    private final Route route;
    private final Map<String, Position> known;
    private final Predicate<String> isFixed;

    private TraverseRun(
            Job job,
            Traverse traverse,
            List<MeasuredSetup> setups,
            Map<String, Position> known,
            Predicate<String> isFixed) {
        this.job = job;
        this.traverse = traverse;
        this.route = new Route(job, traverse, setups);
        this.known = known;
        this.isFixed = isFixed;
    }

    /**
     * Computes a traverse.
     *
     * @param known positions by true name as the setups left them
     * @param isFixed whether a mark, by its true name, has coordinates that this traverse does not carry: control, or adopted
     */
    public static MeasuredTraverse compute(
            Job job,
            Traverse traverse,
            List<MeasuredSetup> setups,
            Map<String, Position> known,
            Predicate<String> isFixed) {
        return new TraverseRun(job, traverse, setups, known, isFixed).measured();
    }

    /** How the azimuth closes: carried minus known, how many angles that takes, and what it closes on. */
    private record Closing(double misclosure, int angles, ClosingAzimuth on) {}

    private MeasuredTraverse measured() {
        Position start = known.get(route.mark(0));
        if (start == null) {
            return nothing(route.mark(0) + " has no coordinates to start from");
        }
        List<Route.Sight> onward = new ArrayList<>();
        for (int i = 0; i < route.legs(); i++) {
            Optional<Route.Sight> sight = route.onward(i);
            if (sight.isEmpty()) {
                return nothing("no setup on %s sights %s".formatted(route.mark(i), route.mark(i + 1)));
            }
            if (length(i, sight.get()).isEmpty()) {
                return nothing("the leg from %s to %s has no distance".formatted(route.mark(i), route.mark(i + 1)));
            }
            onward.add(sight.get());
        }
        if (onward.get(0).setup().orientation().isEmpty()) {
            return nothing("the setup on %s that carries on is not oriented".formatted(route.mark(0)));
        }
        List<Double> azimuths = new ArrayList<>();
        List<OptionalDouble> angles = new ArrayList<>();
        for (int i = 0; i < route.legs(); i++) {
            OptionalDouble angle = i == 0 ? OptionalDouble.empty() : angle(i, onward.get(i));
            if (i > 0 && angle.isEmpty() && onward.get(i).setup().orientation().isEmpty()) {
                return nothing("the setup on %s sights neither back to %s nor is it oriented"
                        .formatted(route.mark(i), route.mark(i - 1)));
            }
            angles.add(angle);
            azimuths.add(Angles.onCircle(
                    angle.isPresent()
                            ? azimuths.get(i - 1) + Math.PI + angle.getAsDouble()
                            : onward.get(i).setup().orientation().getAsDouble()
                                    + onward.get(i).direction().getAsDouble()));
        }
        return closed(start, onward, azimuths, angles);
    }

    /** Clockwise from the station before to the next, by the setup that carries on; empty where it did not sight back. */
    private OptionalDouble angle(int station, Route.Sight onward) {
        Optional<SetAbstract> back = route.in(onward.setup(), route.mark(station - 1));
        return back.isPresent()
                ? OptionalDouble.of(Angles.onCircle(onward.direction().getAsDouble()
                        - back.get().direction().getAsDouble()))
                : OptionalDouble.empty();
    }

    private MeasuredTraverse closed(
            Position start, List<Route.Sight> onward, List<Double> azimuths, List<OptionalDouble> angles) {
        int legs = route.legs();
        String end = route.mark(legs);
        boolean fixedEnd = isFixed.test(end) && known.containsKey(end);
        Optional<Closing> closing = fixedEnd ? closing(onward, azimuths.get(legs - 1)) : Optional.empty();
        List<Leg> list = new ArrayList<>();
        for (int i = 0; i < legs; i++) {
            double share = closing.isPresent()
                    ? closing.get().misclosure() * (i + 1) / closing.get().angles()
                    : 0;
            list.add(new Leg(
                    traverse.route().get(i),
                    traverse.route().get(i + 1),
                    angles.get(i),
                    Angles.onCircle(azimuths.get(i) - share),
                    length(i, onward.get(i)).getAsDouble(),
                    rise(i, onward.get(i)),
                    bothWays(i, onward.get(i))));
        }
        List<Position> carried = carried(start, list);
        Position last = carried.get(legs);
        OptionalDouble none = OptionalDouble.empty();
        Position there = known.get(end);
        boolean levels =
                fixedEnd && last.elevation().isPresent() && there.elevation().isPresent();
        double k = job.classOfWork().limit(Limit.ANGULAR_MISCLOSURE);
        MeasuredTraverse open = new MeasuredTraverse(
                traverse,
                Optional.empty(),
                closing.isPresent() ? OptionalDouble.of(closing.get().misclosure()) : none,
                closing.isPresent()
                        ? OptionalDouble.of(k * Math.sqrt(closing.get().angles()))
                        : none,
                closing.map(Closing::angles).orElse(0),
                fixedEnd ? OptionalDouble.of(last.northing() - there.northing()) : none,
                fixedEnd ? OptionalDouble.of(last.easting() - there.easting()) : none,
                levels
                        ? OptionalDouble.of(last.elevation().getAsDouble()
                                - there.elevation().getAsDouble())
                        : none,
                OptionalDouble.of(list.stream().mapToDouble(Leg::horizontal).sum()),
                list,
                PredictedClosure.predicted(
                        job,
                        route,
                        onward,
                        list,
                        carried,
                        closing.map(Closing::on),
                        closing.map(Closing::angles).orElse(0)),
                route.isLoop(),
                Map.of(Traverse.Rule.COMPASS, carried),
                List.of(),
                List.of());
        return fixedEnd ? adjusted(open, carried) : open;
    }

    /** The azimuth closes on a ray held at the start of a loop, or on another setup at the end that known marks orient. */
    private Optional<Closing> closing(List<Route.Sight> onward, double lastAzimuth) {
        int legs = route.legs();
        MeasuredSetup first = onward.get(0).setup();
        double carriedBack = lastAzimuth + Math.PI;
        if (route.isLoop()) {
            Optional<SetAbstract> held = route.in(first, route.mark(legs - 1));
            if (held.isPresent()) {
                double knownBack = first.orientation().getAsDouble()
                        + held.get().direction().getAsDouble();
                return Optional.of(new Closing(
                        Angles.shortWay(carriedBack - knownBack),
                        legs,
                        ClosingAzimuth.asOriented(new Route.Sight(first, held.get()))));
            }
        }
        return route.back(legs)
                .filter(b -> b.setup() != first)
                .flatMap(b -> ClosingAzimuth.of(job, b, known, isFixed))
                .map(on -> new Closing(Angles.shortWay(carriedBack - on.azimuth()), legs + 1, on));
    }

    private OptionalDouble length(int leg, Route.Sight onward) {
        return mean(onward.sets().horizontal(), backward(leg, SetAbstract::horizontal));
    }

    private OptionalDouble rise(int leg, Route.Sight onward) {
        OptionalDouble back = backward(leg, SetAbstract::elevationDifference);
        return mean(
                onward.sets().elevationDifference(), back.isPresent() ? OptionalDouble.of(-back.getAsDouble()) : back);
    }

    private OptionalDouble bothWays(int leg, Route.Sight onward) {
        OptionalDouble there = onward.sets().horizontal();
        OptionalDouble back = backward(leg, SetAbstract::horizontal);
        return there.isPresent() && back.isPresent()
                ? OptionalDouble.of(back.getAsDouble() - there.getAsDouble())
                : OptionalDouble.empty();
    }

    private OptionalDouble backward(int leg, java.util.function.Function<SetAbstract, OptionalDouble> what) {
        return route.back(leg + 1).map(b -> what.apply(b.sets())).orElse(OptionalDouble.empty());
    }

    private static OptionalDouble mean(OptionalDouble one, OptionalDouble other) {
        if (one.isPresent() && other.isPresent()) {
            return OptionalDouble.of((one.getAsDouble() + other.getAsDouble()) / 2);
        }
        return one.isPresent() ? one : other;
    }

    private static List<Position> carried(Position start, List<Leg> legs) {
        List<Position> stations = new ArrayList<>(List.of(start));
        for (Leg leg : legs) {
            Position from = stations.get(stations.size() - 1);
            boolean levels = from.elevation().isPresent() && leg.rise().isPresent();
            stations.add(at(
                    from.northing() + leg.latitude(),
                    from.easting() + leg.departure(),
                    levels
                            ? OptionalDouble.of(
                                    from.elevation().getAsDouble() + leg.rise().getAsDouble())
                            : OptionalDouble.empty()));
        }
        return stations;
    }

    private static Position at(double north, double east, OptionalDouble up) {
        return new Position(
                north, east, up, Covariance.NONE, up.isPresent() ? OptionalDouble.of(0) : OptionalDouble.empty());
    }

    private MeasuredTraverse adjusted(MeasuredTraverse open, List<Position> carried) {
        Map<Traverse.Rule, List<Position>> rules = new EnumMap<>(Traverse.Rule.class);
        rules.put(Traverse.Rule.COMPASS, spread(open, carried, Leg::horizontal, Leg::horizontal));
        rules.put(
                Traverse.Rule.TRANSIT,
                spread(open, carried, l -> Math.abs(l.latitude()), l -> Math.abs(l.departure())));
        List<Position> byCompass = rules.get(Traverse.Rule.COMPASS);
        Map<String, Position> near = new HashMap<>(known);
        for (int i = 0; i < byCompass.size(); i++) {
            if (!isFixed.test(route.mark(i)) && i > 0) {
                near.put(route.mark(i), byCompass.get(i));
            }
        }
        Figure figure = Figure.of(job, route.setups(), route.marks(), near, isFixed);
        if (!figure.stations().isEmpty()) {
            rules.put(
                    Traverse.Rule.LEAST_SQUARES,
                    route.marks().stream()
                            .map(mark -> figure.stations().getOrDefault(mark, known.get(mark)))
                            .toList());
        }
        return new MeasuredTraverse(
                open.traverse(),
                open.why(),
                open.angular(),
                open.angularLimit(),
                open.angles(),
                open.northing(),
                open.easting(),
                open.elevation(),
                open.length(),
                open.legs(),
                open.predicted(),
                open.loop(),
                rules,
                figure.suspects(),
                figure.levels());
    }

    /** Spreads the misclosure over the legs by a measure of each; the elevation's always by length. */
    private static List<Position> spread(
            MeasuredTraverse open,
            List<Position> carried,
            java.util.function.ToDoubleFunction<Leg> north,
            java.util.function.ToDoubleFunction<Leg> east) {
        double allNorth = open.legs().stream().mapToDouble(north).sum();
        double allEast = open.legs().stream().mapToDouble(east).sum();
        double all = open.legs().stream().mapToDouble(Leg::horizontal).sum();
        List<Position> stations = new ArrayList<>(List.of(carried.get(0)));
        double doneNorth = 0;
        double doneEast = 0;
        double done = 0;
        for (int i = 0; i < open.legs().size(); i++) {
            Leg leg = open.legs().get(i);
            doneNorth += north.applyAsDouble(leg);
            doneEast += east.applyAsDouble(leg);
            done += leg.horizontal();
            Position before = carried.get(i + 1);
            double up = open.elevation().orElse(0) * done / all;
            stations.add(at(
                    before.northing() - share(open.northing(), doneNorth, allNorth),
                    before.easting() - share(open.easting(), doneEast, allEast),
                    before.elevation().isPresent()
                            ? OptionalDouble.of(before.elevation().getAsDouble() - up)
                            : before.elevation()));
        }
        return stations;
    }

    private static double share(OptionalDouble misclosure, double done, double all) {
        return all == 0 ? 0 : misclosure.orElse(0) * done / all;
    }

    private MeasuredTraverse nothing(String why) {
        OptionalDouble none = OptionalDouble.empty();
        return new MeasuredTraverse(
                traverse,
                Optional.of(why),
                none,
                none,
                0,
                none,
                none,
                none,
                none,
                List.of(),
                new Predicted(0, Covariance.NONE, 0),
                route.isLoop(),
                Map.of(),
                List.of(),
                List.of());
    }
}
