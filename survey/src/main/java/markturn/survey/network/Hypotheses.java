package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Shares;
import markturn.survey.result.Observation.Kind;
import markturn.survey.result.SingleFault;
import markturn.survey.result.SingleFault.What;

/** The single things that may be wrong in an adjusted network. */
final class Hypotheses {
    /** Places nearer than this are one place, metres. */
    private static final double NOTHING = 1e-6;

    private final Part plan;
    private final Part heights;
    private final Map<String, NumberedPlace> places;
    private final Map<String, Integer> levels;

    /**
     * Of an adjusted network.
     *
     * @param heights not adjusted where there are none
     * @param levels the unknown elevation of each mark that has one
     */
    Hypotheses(Part plan, Part heights, Map<String, NumberedPlace> places, Map<String, Integer> levels) {
        this.plan = plan;
        this.heights = heights;
        this.places = places;
        this.levels = levels;
    }

    /** A mark that one sight reached moves as that sight says, and nothing else does: it need not be tried. */
    private static Map<String, Integer> sightsOf(Part part) {
        Map<String, Integer> count = new HashMap<>();
        for (Part.ObservationLabel said : part.said()) {
            if (said.isCommon()) {
                continue;
            }
            said.ends().forEach(end -> count.merge(end, 1, (a, b) -> a + b));
        }
        return count;
    }

    /**
     * Those of the plan.
     *
     * @param lonely is told each mark that a single sight reached: it moves as that sight says, and nothing else does
     */
    List<Hypothesis> ofPlan(BiConsumer<String, What> lonely) {
        Map<String, Integer> sights = sightsOf(plan);
        Map<What, Map<Integer, Double>> constants = new LinkedHashMap<>();
        Map<What, List<Map<Integer, Double>>> twofold = new LinkedHashMap<>();
        List<Hypothesis> all = new ArrayList<>();
        for (int i = 0; i < plan.said().size(); i++) {
            Part.ObservationLabel said = plan.said().get(i);
            if (said.isCommon()) {
                double[] stood = said.kind() == Kind.NORTHING ? new double[] {1, 0} : new double[] {0, 1};
                share(twofold, new What(SingleFault.Kind.INSTRUMENT_CENTRING, said.setup(), ""), i, stood);
                control(twofold, said.target(), i, new double[] {-stood[0], -stood[1]});
                continue;
            }
            boolean coordinate = said.kind() == Kind.NORTHING || said.kind() == Kind.EASTING;
            if (coordinate) {
                double[] moved = said.kind() == Kind.NORTHING ? new double[] {1, 0} : new double[] {0, 1};
                share(twofold, new What(SingleFault.Kind.COORDINATES, "", said.target()), i, moved);
                control(twofold, said.target(), i, moved);
                continue;
            }
            What single = new What(SingleFault.Kind.of(said.kind()), said.setup(), said.target());
            boolean alone = said.ray() != null
                    && sights.get(said.target()) <= 2
                    && places.get(said.target()).north() != NumberedPlace.HELD;
            if (alone) {
                lonely.accept(said.target(), single);
            } else {
                all.add(Hypothesis.one(single, Shares.one(i)));
            }
            if (said.isBetween() && said.ray() == null) {
                double[] moved = byFarEnd(i);
                control(twofold, said.ends().get(0), i, new double[] {-moved[0], -moved[1]});
                control(twofold, said.ends().get(1), i, moved);
            }
            if (said.ray() != null) {
                double[] turned = byFarEnd(i);
                boolean centred = said.ray().centring() > 0;
                if (!centred) {
                    share(twofold, new What(SingleFault.Kind.INSTRUMENT_CENTRING, said.setup(), ""), i, turned);
                    control(twofold, said.ray().from(), i, new double[] {-turned[0], -turned[1]});
                }
                if (!alone) {
                    share(twofold, new What(SingleFault.Kind.TARGET_CENTRING, said.setup(), said.target()), i, turned);
                }
                control(twofold, said.target(), i, turned);
                if (said.kind() == Kind.DISTANCE) {
                    constants
                            .computeIfAbsent(
                                    new What(
                                            SingleFault.Kind.CONSTANT,
                                            "",
                                            said.ray().reflector()),
                                    what -> new HashMap<>())
                            .put(i, 1.0);
                }
            }
        }
        constants.forEach((what, shares) -> all.add(Hypothesis.one(what, Shares.of(shares))));
        twofold.forEach((what, ways) ->
                all.add(new Hypothesis(what, ways.stream().map(Shares::of).toList())));
        return all;
    }

    private void control(Map<What, List<Map<Integer, Double>>> twofold, String mark, int observation, double[] shares) {
        if (places.get(mark).north() == NumberedPlace.HELD && places.get(mark).east() == NumberedPlace.HELD) {
            share(twofold, new What(SingleFault.Kind.CONTROL_MARK, "", mark), observation, shares);
        }
    }

    private static void share(
            Map<What, List<Map<Integer, Double>>> twofold, What what, int observation, double[] shares) {
        List<Map<Integer, Double>> ways = twofold.computeIfAbsent(what, w -> List.of(new HashMap<>(), new HashMap<>()));
        ways.get(0).merge(observation, shares[0], (a, b) -> a + b);
        ways.get(1).merge(observation, shares[1], (a, b) -> a + b);
    }

    /** How the value of an observation between two places changes as its far end moves north and east: it says so itself. */
    private double[] byFarEnd(int observation) {
        List<String> ends = plan.said().get(observation).ends();
        double[] from = at(places.get(ends.get(0)));
        double[] to = at(places.get(ends.get(1)));
        double north = to[0] - from[0];
        double east = to[1] - from[1];
        boolean nowhere = Math.hypot(north, east) < NOTHING;
        return plan.byFarEnd(observation, nowhere ? NOTHING : north, nowhere ? 0 : east);
    }

    private double[] at(NumberedPlace place) {
        return new double[] {
            place.north() == NumberedPlace.HELD
                    ? place.northing()
                    : plan.adjustment().unknown(place.north()),
            place.east() == NumberedPlace.HELD
                    ? place.easting()
                    : plan.adjustment().unknown(place.east())
        };
    }

    /** Those of the elevations; none where there are none. */
    List<Hypothesis> ofHeights(BiConsumer<String, What> lonely) {
        if (!heights.isAdjusted()) {
            return List.of();
        }
        Map<String, Integer> sights = sightsOf(heights);
        Map<What, Map<Integer, Double>> shared = new LinkedHashMap<>();
        List<Hypothesis> all = new ArrayList<>();
        for (int i = 0; i < heights.said().size(); i++) {
            Part.ObservationLabel said = heights.said().get(i);
            if (said.isCommon()) {
                shared.computeIfAbsent(
                                new What(SingleFault.Kind.INSTRUMENT_HEIGHT, said.setup(), ""), what -> new HashMap<>())
                        .put(i, 1.0);
                level(shared, said.target(), i, -1);
                continue;
            }
            if (said.ray() == null && said.isBetween()) {
                all.add(Hypothesis.one(new What(SingleFault.Kind.HEIGHT_DIFFERENCE, "", said.target()), Shares.one(i)));
                level(shared, said.ends().get(0), i, -1);
                level(shared, said.ends().get(1), i, 1);
                continue;
            }
            if (said.ray() == null) {
                all.add(Hypothesis.one(new What(SingleFault.Kind.COORDINATES, "", said.target()), Shares.one(i)));
                level(shared, said.target(), i, 1);
                continue;
            }
            What single = new What(SingleFault.Kind.HEIGHT_DIFFERENCE, said.setup(), said.target());
            if (sights.get(said.target()) == 1 && levels.containsKey(said.target())) {
                lonely.accept(said.target(), single);
            } else {
                all.add(Hypothesis.one(single, Shares.one(i)));
            }
            level(shared, said.target(), i, 1);
            if (said.ray().heightStdDev() == 0) {
                shared.computeIfAbsent(
                                new What(SingleFault.Kind.INSTRUMENT_HEIGHT, said.setup(), ""), what -> new HashMap<>())
                        .put(i, 1.0);
                level(shared, said.ray().from(), i, -1);
            }
        }
        shared.forEach((what, shares) -> all.add(Hypothesis.one(what, Shares.of(shares))));
        return all;
    }

    private void level(Map<What, Map<Integer, Double>> shared, String mark, int observation, double share) {
        if (!levels.containsKey(mark)) {
            shared.computeIfAbsent(new What(SingleFault.Kind.CONTROL_ELEVATION, "", mark), what -> new HashMap<>())
                    .merge(observation, share, (a, b) -> a + b);
        }
    }

    /**
     * Those of a traverse, in one way each: where only two directions were turned, they stand for one angle; a length may be wrong by one
     * sight, or both ways alike.
     */
    List<Hypothesis> ofTraverse() {
        Map<What, Map<Integer, Double>> shared = new LinkedHashMap<>();
        Map<String, Integer> directions = new HashMap<>();
        for (Part.ObservationLabel said : plan.said()) {
            if (said.kind() == Kind.DIRECTION) {
                directions.merge(said.setup(), 1, (a, b) -> a + b);
            }
        }
        for (int i = 0; i < plan.said().size(); i++) {
            Part.ObservationLabel said = plan.said().get(i);
            if (said.ray() == null) {
                continue;
            }
            if (said.kind() == Kind.DIRECTION) {
                boolean angle = directions.get(said.setup()) == 2;
                // The last direction of two stands for the angle: a foresight too large makes it too large.
                shared.put(
                        angle
                                ? new What(SingleFault.Kind.ANGLE, said.setup(), "")
                                : new What(SingleFault.Kind.DIRECTION, said.setup(), said.target()),
                        Map.of(i, 1.0));
            } else {
                shared.put(new What(SingleFault.Kind.DISTANCE, said.setup(), said.target()), Map.of(i, 1.0));
                share(shared, new What(SingleFault.Kind.CONSTANT, "", said.ray().reflector()), i);
                share(shared, new What(SingleFault.Kind.LEG, "", leg(said)), i);
            }
        }
        return shared.entrySet().stream()
                .filter(e -> e.getKey().kind() != SingleFault.Kind.LEG
                        || e.getValue().size() > 1)
                .map(e -> Hypothesis.one(e.getKey(), Shares.of(e.getValue())))
                .toList();
    }

    /** Both ends of a leg in one order, whichever way it was sighted. */
    private static String leg(Part.ObservationLabel said) {
        String from = said.ray().from();
        return from.compareTo(said.target()) < 0 ? from + " – " + said.target() : said.target() + " – " + from;
    }

    private static void share(Map<What, Map<Integer, Double>> shared, What what, int observation) {
        shared.computeIfAbsent(what, w -> new HashMap<>()).put(observation, 1.0);
    }
}
