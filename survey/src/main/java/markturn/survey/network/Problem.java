package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Azimuth;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.Difference;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.Place;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.ReferencePair;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Relative;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Observation;
import markturn.survey.result.Observation.Kind;
import markturn.survey.result.Position;

/** A network on one datum: plan and elevations, each numbered, observed and adjusted. Coordinates are counted from the first mark. */
final class Problem {
    private final Job job;
    private final List<MeasuredSetup> setups;
    private final Map<String, Position> known;
    private final Datum datum;
    private final ObservedCoordinates coordinates;
    private final Position origin;
    private final List<Ray> rays;
    private final Map<String, Place> places = new LinkedHashMap<>();
    private final Map<String, Integer> levels = new LinkedHashMap<>();
    private final Map<String, Integer> nodes = new LinkedHashMap<>();
    private final Part plan = new Part();
    private final Part heights = new Part();
    private final AdjustedTogether together = new AdjustedTogether(plan, heights, places, levels);

    /**
     * A network.
     *
     * @param references what is known between its marks without the instrument
     */
    Problem(
            Job job,
            List<MeasuredSetup> setups,
            Map<String, Position> known,
            List<Ray> all,
            List<ReferencePair> references,
            Datum datum) {
        this.job = job;
        this.setups = setups;
        this.known = known;
        this.datum = datum;
        this.coordinates = new ObservedCoordinates(job, datum);
        this.origin = known.values().stream().findFirst().orElse(Position.held(new Mark.Coordinates(0, 0, none())));
        this.rays = determined(all);
        observePlan();
        List<ReferencePair> between = references.stream()
                .filter(pair ->
                        places.containsKey(job.trueName(pair.one())) && places.containsKey(job.trueName(pair.other())))
                .toList();
        between.stream().filter(pair -> pair.distance().isPresent()).forEach(this::observeDistance);
        between.stream().filter(pair -> pair.azimuth().isPresent()).forEach(this::observeAzimuth);
        observeHeights(between.stream().filter(pair -> pair.rise().isPresent()).toList());
        if (datum.observed()) {
            observeCoordinates();
        }
    }

    /** Nothing is known better than that, radians. */
    private static final double SMALLEST_TURN = 1e-8;

    private static OptionalDouble none() {
        return OptionalDouble.empty();
    }

    /** Without the rays to marks that fewer than two observations reach: those would have no place. */
    private List<Ray> determined(List<Ray> all) {
        List<Ray> left = new ArrayList<>(all);
        boolean changed = true;
        while (changed) {
            Map<String, Integer> counts = new HashMap<>();
            for (Ray ray : left) {
                counts.merge(ray.from(), ray.inPlan(), Integer::sum);
                counts.merge(ray.to(), ray.inPlan(), Integer::sum);
            }
            changed = left.removeIf(ray -> isLoose(ray.from(), counts) || isLoose(ray.to(), counts));
        }
        return left;
    }

    private boolean isLoose(String mark, Map<String, Integer> counts) {
        boolean observed = datum.observed() && !coordinates.of(mark).isEmpty();
        boolean turns = datum.turn().filter(mark::equals).isPresent();
        return !datum.plan().contains(mark) && !observed && counts.get(mark) < (turns ? 1 : 2);
    }

    boolean isEmpty() {
        return plan.isEmpty() || places.values().stream().allMatch(p -> p.north() == Place.HELD);
    }

    void adjust() throws RankDefect, NotConverging {
        double[][] at = nodes.keySet().stream()
                .map(mark -> new double[] {
                    known.get(mark).northing(), known.get(mark).easting()
                })
                .toArray(double[][]::new);
        plan.adjust(at);
        if (!heights.isEmpty()) {
            heights.adjust(at);
        }
    }

    /** The plan, and the elevations where there are any to find. */
    List<Part> parts() {
        return heights.isEmpty() ? List.of(plan) : List.of(plan, heights);
    }

    private int node(String mark) {
        return nodes.computeIfAbsent(mark, name -> nodes.size());
    }

    private Place place(String mark) {
        return places.computeIfAbsent(mark, name -> {
            double north = known.get(name).northing() - origin.northing();
            double east = known.get(name).easting() - origin.easting();
            if (datum.plan().contains(name)) {
                return Place.held(north, east);
            }
            boolean turns = datum.turn().filter(name::equals).isPresent();
            return new Place(
                    turns && datum.turnNorth() ? Place.HELD : plan.unknown(north, node(name)),
                    turns && !datum.turnNorth() ? Place.HELD : plan.unknown(east, node(name)),
                    north,
                    east);
        });
    }

    /** Where the instrument of a setup stood: beside its mark by its centring, the same for all its sights; on it where that is nothing. */
    private Place instrument(Ray ray) {
        Place mark = place(ray.from());
        if (ray.centring() == 0) {
            return mark;
        }
        double north = known.get(ray.from()).northing() - origin.northing();
        double east = known.get(ray.from()).easting() - origin.easting();
        Place stood = Place.unknown(plan.unknown(north, node(ray.from())), plan.unknown(east, node(ray.from())));
        plan.observe(
                Part.Said.common(ray, Kind.NORTHING),
                new Difference(mark.north(), stood.north(), mark.northing(), 0, 0, ray.centring()));
        plan.observe(
                Part.Said.common(ray, Kind.EASTING),
                new Difference(mark.east(), stood.east(), mark.easting(), 0, 0, ray.centring()));
        return stood;
    }

    private void observePlan() {
        Map<Integer, Integer> orientations = new HashMap<>();
        Map<Integer, Integer> scales = new HashMap<>();
        Map<Integer, Place> instruments = new HashMap<>();
        for (Ray ray : rays) {
            Place from = instruments.computeIfAbsent(ray.setup(), setup -> instrument(ray));
            Place to = place(ray.to());
            if (ray.direction().isPresent()) {
                int orientation = orientations.computeIfAbsent(ray.setup(), setup -> orientation(ray));
                Direction direction =
                        new Direction(from, to, orientation, ray.direction().getAsDouble(), ray.directionStdDev());
                plan.observe(Part.Said.of(ray, Kind.DIRECTION), direction);
            }
            if (ray.distance().isPresent()) {
                int scale = ray.scaled() ? scales.computeIfAbsent(ray.setup(), setup -> scale(ray)) : Place.HELD;
                Distance distance =
                        new Distance(from, to, scale, Place.HELD, ray.distance().getAsDouble(), ray.distanceStdDev());
                plan.observe(Part.Said.of(ray, Kind.DISTANCE), distance);
            }
        }
    }

    /** A tape lies on the ground, the network on the grid. */
    private void observeDistance(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        double scale = GridScale.inForce(job).orElse(1);
        plan.observe(
                Part.Said.between(one, other, Kind.DISTANCE),
                new Distance(
                        place(one),
                        place(other),
                        Place.HELD,
                        Place.HELD,
                        pair.distance().getAsDouble() * scale,
                        Math.max(pair.stdDev(), ObservedCoordinates.SMALLEST)));
    }

    private void observeAzimuth(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        plan.observe(
                Part.Said.between(one, other, Kind.AZIMUTH),
                new Azimuth(
                        place(one),
                        place(other),
                        pair.azimuth().orElseThrow().radians(),
                        Math.max(pair.azimuthStdDev(), SMALLEST_TURN)));
    }

    /** A given azimuth is observed, as well as its sight was turned. */
    private int orientation(Ray ray) {
        MeasuredSetup of = setups.get(ray.setup());
        double value = of.orientation().getAsDouble();
        double seen = known.get(ray.from()).azimuthTo(known.get(ray.to()))
                - ray.direction().getAsDouble();
        int unknown = plan.unknown(Rays.orientsAsGiven(of) ? value : seen, node(ray.from()));
        if (datum.observed() && Rays.orientsAsGiven(of)) {
            double stdDev = Math.max(Math.sqrt(of.orientationVariance().orElse(0)), ObservedCoordinates.SMALLEST);
            String target = of.setup().orientation().zero();
            plan.observe(Part.Said.given(of.name(), target), new Coordinate(unknown, value, stdDev));
        }
        return unknown;
    }

    private int scale(Ray ray) {
        return plan.unknown(1 + setups.get(ray.setup()).scalePpm().getAsDouble() * 1e-6, node(ray.from()));
    }

    /** Elevations hang together from those held or observed; what does not reach one is left out. */
    private void observeHeights(List<ReferencePair> between) {
        Set<String> reached = new HashSet<>(datum.elevations());
        if (datum.observed()) {
            rays.stream()
                    .flatMap(ray -> Stream.of(ray.from(), ray.to()))
                    .filter(this::isLevelled)
                    .forEach(reached::add);
        }
        boolean changed = true;
        while (changed) {
            changed = false;
            for (Ray ray : rays) {
                boolean one = reached.contains(ray.from()) || reached.contains(ray.to());
                if (ray.rise().isPresent() && one) {
                    changed |= reached.add(ray.from()) | reached.add(ray.to());
                }
            }
            for (ReferencePair pair : between) {
                String one = job.trueName(pair.one());
                String other = job.trueName(pair.other());
                if (reached.contains(one) || reached.contains(other)) {
                    changed |= reached.add(one) | reached.add(other);
                }
            }
        }
        between.stream()
                .filter(pair -> reached.contains(job.trueName(pair.one())))
                .forEach(this::observeRise);
        Map<Integer, Integer> axes = new HashMap<>();
        for (Ray ray : rays) {
            if (ray.rise().isPresent() && reached.contains(ray.from())) {
                boolean taped = ray.heightStdDev() > 0;
                int from = taped ? axes.computeIfAbsent(ray.setup(), setup -> axis(ray)) : level(ray.from());
                int to = level(ray.to());
                heights.observe(
                        Part.Said.of(ray, Kind.ELEVATION_DIFFERENCE),
                        new Difference(
                                from,
                                to,
                                from == Place.HELD ? elevation(ray.from()) : 0,
                                to == Place.HELD ? elevation(ray.to()) : 0,
                                ray.rise().getAsDouble(),
                                ray.riseStdDev()));
            }
        }
    }

    private void observeRise(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        int from = level(one);
        int to = level(other);
        heights.observe(
                Part.Said.between(one, other, Kind.ELEVATION_DIFFERENCE),
                new Difference(
                        from,
                        to,
                        from == Place.HELD ? elevation(one) : 0,
                        to == Place.HELD ? elevation(other) : 0,
                        pair.rise().getAsDouble(),
                        Math.max(pair.riseStdDev(), ObservedCoordinates.SMALLEST)));
    }

    /** The elevation of a station by the height that was taped there: one error of it for all the sights of a setup. */
    private int axis(Ray ray) {
        int station = level(ray.from());
        int axis = heights.unknown(known.get(ray.from()).elevation().orElse(0), node(ray.from()));
        heights.observe(
                Part.Said.common(ray, Kind.ELEVATION),
                new Difference(
                        station, axis, station == Place.HELD ? elevation(ray.from()) : 0, 0, 0, ray.heightStdDev()));
        return axis;
    }

    private boolean isLevelled(String mark) {
        return coordinates.of(mark).stream().anyMatch(c -> c.at().elevation().isPresent());
    }

    private int level(String mark) {
        return datum.elevations().contains(mark)
                ? Place.HELD
                : levels.computeIfAbsent(
                        mark,
                        name -> heights.unknown(known.get(name).elevation().orElse(0), node(name)));
    }

    private double elevation(String mark) {
        return known.get(mark).elevation().getAsDouble();
    }

    private void observeCoordinates() {
        places.forEach((mark, place) -> coordinates.of(mark).forEach(seen -> observe(mark, place, seen)));
    }

    private void observe(String mark, Place place, ObservedCoordinates.Seen seen) {
        double north = seen.at().northing() - origin.northing();
        double east = seen.at().easting() - origin.easting();
        plan.observe(
                Part.Said.of(mark, Kind.NORTHING),
                new Coordinate(place.north(), place.northing(), north, seen.north()));
        plan.observe(
                Part.Said.of(mark, Kind.EASTING), new Coordinate(place.east(), place.easting(), east, seen.east()));
        boolean held = datum.elevations().contains(mark);
        if (seen.at().elevation().isPresent() && (held || levels.containsKey(mark))) {
            heights.observe(
                    Part.Said.of(mark, Kind.ELEVATION),
                    new Coordinate(
                            held ? Place.HELD : levels.get(mark),
                            held ? elevation(mark) : 0,
                            seen.at().elevation().getAsDouble(),
                            seen.up()));
        }
    }

    /**
     * Every mark that was found, in the order of the work.
     *
     * @param faults every single fault, tried on this problem
     */
    List<Adjusted> marks(SingleFaults faults) {
        List<Adjusted> marks = new ArrayList<>();
        marks().forEach((name, at) -> {
            boolean levelled = heights.isAdjusted() && levels.containsKey(name);
            marks.add(new Adjusted(
                    name,
                    at,
                    faults.hiddenInPlan(name),
                    levelled ? Optional.of(faults.hiddenInLevel(name)) : Optional.empty()));
        });
        return marks;
    }

    /** Where every mark lies that was found. */
    Map<String, Position> marks() {
        Map<String, Position> marks = new LinkedHashMap<>();
        places.forEach((name, place) -> {
            if (place.north() != Place.HELD) {
                marks.put(name, position(name, place));
            }
        });
        return marks;
    }

    Part plan() {
        return plan;
    }

    Part heights() {
        return heights;
    }

    /** What may be wrong, one at a time. */
    Hypotheses hypotheses() {
        return new Hypotheses(plan, heights, places, levels);
    }

    /** Every single fault, tried. */
    SingleFaults faults(DoubleConsumer progress) {
        return new SingleFaults(plan, heights, places, levels, progress);
    }

    /** Each pair of marks between which something was sighted, at least one of them found. */
    List<Relative> relatives() {
        Map<Set<String>, Relative> pairs = new LinkedHashMap<>();
        for (Ray ray : rays) {
            if (places.get(ray.from()).north() != Place.HELD
                    || places.get(ray.to()).north() != Place.HELD) {
                pairs.computeIfAbsent(
                        Set.of(ray.from(), ray.to()),
                        pair -> new Relative(ray.from(), ray.to(), relative(ray.from(), ray.to())));
            }
        }
        return List.copyOf(pairs.values());
    }

    /** The covariance of the difference of two places. */
    private Covariance relative(String one, String other) {
        Place from = places.get(one);
        Place to = places.get(other);
        return new Covariance(
                difference(from.north(), to.north(), from.north(), to.north()),
                difference(from.east(), to.east(), from.east(), to.east()),
                difference(from.north(), to.north(), from.east(), to.east()));
    }

    private double difference(int one, int other, int across, int otherAcross) {
        return covariance(one, across)
                + covariance(other, otherAcross)
                - covariance(one, otherAcross)
                - covariance(other, across);
    }

    private double covariance(int one, int other) {
        return one == Place.HELD || other == Place.HELD ? 0 : plan.adjustment().covariance(one, other);
    }

    /** What the adjustment does not find is left as it was. */
    private Position position(String name, Place place) {
        Adjustment in = plan.adjustment();
        Position before = known.get(name);
        Covariance covariance = new Covariance(
                in.covariance(place.north(), place.north()),
                in.covariance(place.east(), place.east()),
                in.covariance(place.north(), place.east()));
        Integer level = levels.get(name);
        boolean levelled = level != null && heights.isAdjusted();
        double variance = levelled ? heights.adjustment().covariance(level, level) : 0;
        return new Position(
                origin.northing() + in.unknown(place.north()),
                origin.easting() + in.unknown(place.east()),
                levelled ? OptionalDouble.of(heights.adjustment().unknown(level)) : before.elevation(),
                covariance,
                levelled ? OptionalDouble.of(variance) : before.elevationVariance(),
                new Position.Lineages(
                        Optional.of(together.plan(name, covariance)),
                        levelled
                                ? Optional.of(together.level(name, variance))
                                : before.lineage().level()));
    }

    /** What each observation was worth. */
    List<Worth> observations() {
        List<Worth> all = new ArrayList<>();
        for (Part part : parts()) {
            for (int i = 0; i < part.said().size(); i++) {
                if (!part.said().get(i).isCommon()) {
                    all.add(worth(part, i));
                }
            }
        }
        return all;
    }

    private static Worth worth(Part part, int observation) {
        Part.Said said = part.said().get(observation);
        return new Worth(
                said.setup(),
                new Observation(
                        said.target(),
                        said.kind(),
                        part.adjustment().residual(observation),
                        part.adjustment().stdDev(observation),
                        OptionalDouble.of(part.redundancy(observation)),
                        true));
    }
}
