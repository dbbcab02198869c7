package markturn.survey.traverse;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.HeightDifference;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.Place;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/**
 * A traverse by least squares: every direction and distance between its stations, and from them to the fixed marks that orient them, in one
 * adjustment; the start and the end held. A check on another mark tests and takes no part. Elevations in one of their own. Coordinates are counted from the start.
 */
final class FigureAdjustment {
    private static final int NONE = -1;

    private final Job job;
    private final Route route;
    private final Map<String, Position> known;
    private final Predicate<String> isFixed;
    private final Position origin;
    private final Map<String, Integer> numbers = new LinkedHashMap<>();

    FigureAdjustment(Job job, Route route, Map<String, Position> known, Predicate<String> isFixed) {
        this.job = job;
        this.route = route;
        this.known = known;
        this.isFixed = isFixed;
        this.origin = known.get(route.mark(0));
    }

    private boolean isHeld(String mark) {
        return isFixed.test(mark) || mark.equals(route.mark(0));
    }

    /** The stations of the route, from near coordinates; empty where the observations do not determine them. */
    Optional<List<Position>> stations(List<Position> near) {
        Map<String, Position> start = new HashMap<>();
        for (int i = 0; i < near.size(); i++) {
            if (!isHeld(route.mark(i)) && !numbers.containsKey(route.mark(i))) {
                numbers.put(route.mark(i), numbers.size());
                start.put(route.mark(i), near.get(i));
            }
        }
        if (numbers.isEmpty()) {
            return Optional.empty();
        }
        List<MeasuredSetup> setups = route.setupsOnRoute().stream()
                .filter(s -> s.abstracts().stream().filter(a -> isSight(a)).count() > 0)
                .toList();
        int places = 2 * numbers.size();
        double[] unknowns = new double[places + setups.size()];
        start.forEach((mark, at) -> {
            unknowns[2 * numbers.get(mark)] = at.northing() - origin.northing();
            unknowns[2 * numbers.get(mark) + 1] = at.easting() - origin.easting();
        });
        List<Observed> observations = new ArrayList<>();
        for (int i = 0; i < setups.size(); i++) {
            MeasuredSetup setup = setups.get(i);
            if (setup.orientation().isEmpty()) {
                return Optional.empty();
            }
            unknowns[places + i] = setup.orientation().getAsDouble();
            observe(setup, places + i, observations);
        }
        try {
            Adjustment adjustment =
                    LeastSquares.adjust(observations, unknowns, () -> new DenseNormalEquations(unknowns.length));
            Optional<Adjustment> heights = heights(setups);
            List<Position> stations = new ArrayList<>();
            for (int i = 0; i < near.size(); i++) {
                stations.add(station(route.mark(i), adjustment, heights));
            }
            return Optional.of(stations);
        } catch (RankDefect | NotConverging undetermined) {
            return Optional.empty();
        }
    }

    private boolean isSight(SetAbstract sets) {
        String mark = job.trueName(sets.target());
        boolean onRoute = route.marks().contains(mark);
        boolean orients = sets.fix().role() == Reading.Role.BACKSIGHT && isFixed.test(mark);
        return sets.direction().isPresent() && known.containsKey(mark) && (onRoute || orients);
    }

    private Place place(String mark) {
        Integer number = numbers.get(mark);
        if (number != null) {
            return Place.unknown(2 * number, 2 * number + 1);
        }
        Position at = known.get(mark);
        return Place.held(at.northing() - origin.northing(), at.easting() - origin.easting());
    }

    private void observe(MeasuredSetup setup, int orientation, List<Observed> observations) {
        Weights weights = Weights.of(job, setup.setup());
        String from = job.trueName(setup.setup().station());
        for (SetAbstract sets : setup.abstracts()) {
            String to = job.trueName(sets.target());
            if (!isSight(sets) || to.equals(from)) {
                continue;
            }
            Reflector reflector =
                    job.sighted(sets.fix().pointings().readings().get(0).reading());
            double length = sets.horizontal().orElse(100);
            observations.add(new Direction(
                    place(from),
                    place(to),
                    orientation,
                    sets.direction().getAsDouble(),
                    Math.sqrt(weights.direction(sets.count(), reflector, length))));
            boolean moves = numbers.containsKey(from) || numbers.containsKey(to);
            if (sets.horizontal().isPresent() && moves) {
                observations.add(new Distance(
                        place(from),
                        place(to),
                        sets.horizontal().getAsDouble(),
                        Math.sqrt(weights.distance(sets.fix().pointings().distanceCount(), reflector, length))));
            }
        }
    }

    private Optional<Adjustment> heights(List<MeasuredSetup> setups) throws NotConverging {
        List<Observed> observations = new ArrayList<>();
        for (MeasuredSetup setup : setups) {
            Weights weights = Weights.of(job, setup.setup());
            double ofHeight = Math.pow(weights.instrument().heightStdDev(), 2);
            String from = job.trueName(setup.setup().station());
            for (SetAbstract sets : setup.abstracts()) {
                String to = job.trueName(sets.target());
                if (!isSight(sets) || sets.elevationDifference().isEmpty() || !hasHeight(from) || !hasHeight(to)) {
                    continue;
                }
                Reflector reflector =
                        job.sighted(sets.fix().pointings().readings().get(0).reading());
                observations.add(new HeightDifference(
                        numbers.getOrDefault(from, NONE),
                        numbers.getOrDefault(to, NONE),
                        elevation(from),
                        elevation(to),
                        sets.elevationDifference().getAsDouble(),
                        Math.sqrt(ofHeight
                                + weights.heightDifference(
                                        sets.fix().pointings().zenithCount(),
                                        sets.fix().pointings().distanceCount(),
                                        reflector,
                                        sets.horizontal().getAsDouble(),
                                        sets.zenith().getAsDouble()))));
            }
        }
        try {
            return Optional.of(LeastSquares.adjust(
                    observations, new double[numbers.size()], () -> new DenseNormalEquations(numbers.size())));
        } catch (RankDefect noHeights) {
            return Optional.empty();
        }
    }

    private boolean hasHeight(String mark) {
        return numbers.containsKey(mark) || known.get(mark).elevation().isPresent();
    }

    private double elevation(String mark) {
        return numbers.containsKey(mark) ? 0 : known.get(mark).elevation().getAsDouble();
    }

    private Position station(String mark, Adjustment plan, Optional<Adjustment> heights) {
        Integer number = numbers.get(mark);
        if (number == null) {
            return known.get(mark);
        }
        int north = 2 * number;
        OptionalDouble none = OptionalDouble.empty();
        return new Position(
                origin.northing() + plan.unknown(north),
                origin.easting() + plan.unknown(north + 1),
                heights.map(h -> OptionalDouble.of(h.unknown(number))).orElse(none),
                new Covariance(
                        plan.covariance(north, north),
                        plan.covariance(north + 1, north + 1),
                        plan.covariance(north, north + 1)),
                heights.map(h -> OptionalDouble.of(h.covariance(number, number)))
                        .orElse(none));
    }
}
