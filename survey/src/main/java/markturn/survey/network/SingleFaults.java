package markturn.survey.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Place;
import markturn.survey.result.MeasuredNetwork.Hidden;
import markturn.survey.result.Observation;
import markturn.survey.result.Observation.Kind;
import markturn.survey.result.SingleFault;
import markturn.survey.result.SingleFault.What;

/**
 * Every single fault of an adjusted network, tried one at a time: a reading, a reflector's constant, a centring, an instrument height, a
 * control mark. For each: how well it explains the residuals, and how far it could shift each mark if it were as large as its test lets
 * pass. W. Baarda's data snooping and external reliability; faults in two coordinates by the same non-centrality (his method B).
 */
final class SingleFaults {
    /** A share of a fault that shows in no residual, by its weight: below this, rounding. */
    private static final double SHOWN = 1e-9;

    /** A shift by a fault of one standard deviation below this is none, metres. */
    private static final double NO_SHIFT = 1e-6;

    /** What chance exceeds once in a thousand: the deviate, and the root of chi-square with two degrees of freedom. */
    private static final double[] LIMIT = {Observation.Fit.ONE_IN_A_THOUSAND, 3.7169};

    private final Map<String, Place> places;
    private final Map<String, Integer> levels;
    private final Map<String, Worst> inPlan = new HashMap<>();
    private final Map<String, Worst> inLevel = new HashMap<>();
    private final List<SingleFault> faults = new ArrayList<>();

    /** One thing that may be wrong, in one way or in two: by observation, how much of it each takes. */
    private record Hypothesis(What what, List<Map<Integer, Double>> ways) {
        static Hypothesis one(What what, int observation) {
            return new Hypothesis(what, List.of(Map.of(observation, 1.0)));
        }
    }

    /** The farthest a mark can have been shifted so far. */
    private static final class Worst {
        private double shift;
        private What by;
        private What unseen;

        void take(double farther, What what) {
            if (farther > shift) {
                shift = farther;
                by = what;
            }
        }

        /** Nothing would show it. A sight says more than a control mark, which only more control can prove. */
        void anything(What what) {
            if (unseen == null || isOfControl(unseen)) {
                unseen = what;
            }
        }

        private static boolean isOfControl(What what) {
            return what.kind() == SingleFault.Kind.CONTROL_MARK || what.kind() == SingleFault.Kind.CONTROL_ELEVATION;
        }

        Hidden hidden() {
            return new Hidden(shift, Optional.ofNullable(by), Optional.ofNullable(unseen));
        }
    }

    /**
     * Tries them all.
     *
     * @param heights empty where there are none
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    SingleFaults(
            Part plan, Part heights, Map<String, Place> places, Map<String, Integer> levels, DoubleConsumer progress) {
        this.places = places;
        this.levels = levels;
        places.keySet().forEach(mark -> inPlan.put(mark, new Worst()));
        levels.keySet().forEach(mark -> inLevel.put(mark, new Worst()));
        List<Hypothesis> ofPlan = ofPlan(plan);
        List<Hypothesis> ofHeights = heights.isAdjusted() ? ofHeights(heights) : List.of();
        double all = ofPlan.size() + ofHeights.size();
        int done = 0;
        for (Hypothesis hypothesis : ofPlan) {
            new Trial(plan, hypothesis).judge(inPlan, this::planUnknowns);
            progress.accept(++done / all);
        }
        for (Hypothesis hypothesis : ofHeights) {
            new Trial(heights, hypothesis).judge(inLevel, mark -> new int[] {levels.get(mark)});
            progress.accept(++done / all);
        }
        faults.sort(Comparator.comparingDouble(SingleFault::timesLimit).reversed());
    }

    Hidden hiddenInPlan(String mark) {
        return inPlan.get(mark).hidden();
    }

    Hidden hiddenInLevel(String mark) {
        return inLevel.get(mark).hidden();
    }

    /** What explains the residuals best, that first. */
    List<SingleFault> faults() {
        return faults;
    }

    private int[] planUnknowns(String mark) {
        Place place = places.get(mark);
        return new int[] {place.north(), place.east()};
    }

    /** A mark that one sight reached moves as that sight says, and nothing else does: it need not be tried. */
    private static Map<String, Integer> sightsOf(Part part) {
        Map<String, Integer> count = new HashMap<>();
        for (Part.Said said : part.said()) {
            count.merge(said.target(), 1, Integer::sum);
            if (said.ray() != null) {
                count.merge(said.ray().from(), 1, Integer::sum);
            }
        }
        return count;
    }

    private List<Hypothesis> ofPlan(Part plan) {
        Map<String, Integer> sights = sightsOf(plan);
        Map<What, Map<Integer, Double>> constants = new LinkedHashMap<>();
        Map<What, List<Map<Integer, Double>>> twofold = new LinkedHashMap<>();
        List<Hypothesis> all = new ArrayList<>();
        for (int i = 0; i < plan.said().size(); i++) {
            Part.Said said = plan.said().get(i);
            boolean coordinate = said.kind() == Kind.NORTHING || said.kind() == Kind.EASTING;
            if (coordinate) {
                share(
                        twofold,
                        new What(SingleFault.Kind.COORDINATES, "", said.target()),
                        i,
                        said.kind() == Kind.NORTHING ? new double[] {1, 0} : new double[] {0, 1});
                continue;
            }
            SingleFault.Kind kind =
                    said.kind() == Kind.DIRECTION ? SingleFault.Kind.DIRECTION : SingleFault.Kind.DISTANCE;
            What single = new What(kind, said.setup(), said.target());
            boolean lonely = said.ray() != null && sights.get(said.target()) <= 2;
            if (lonely) {
                inPlan.get(said.target()).anything(single);
            } else {
                all.add(Hypothesis.one(single, i));
            }
            if (said.ray() != null) {
                double[] turned = byFarEnd(plan, said);
                share(twofold, new What(SingleFault.Kind.INSTRUMENT_CENTRING, said.setup(), ""), i, turned);
                if (!lonely) {
                    share(twofold, new What(SingleFault.Kind.TARGET_CENTRING, said.setup(), said.target()), i, turned);
                }
                control(twofold, said.target(), i, turned);
                control(twofold, said.ray().from(), i, new double[] {-turned[0], -turned[1]});
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
        constants.forEach((what, shares) -> all.add(new Hypothesis(what, List.of(shares))));
        twofold.forEach((what, ways) -> all.add(new Hypothesis(what, ways)));
        return all;
    }

    private void control(Map<What, List<Map<Integer, Double>>> twofold, String mark, int observation, double[] shares) {
        if (places.get(mark).north() == Place.HELD && places.get(mark).east() == Place.HELD) {
            share(twofold, new What(SingleFault.Kind.CONTROL_MARK, "", mark), observation, shares);
        }
    }

    private static void share(
            Map<What, List<Map<Integer, Double>>> twofold, What what, int observation, double[] shares) {
        List<Map<Integer, Double>> ways = twofold.computeIfAbsent(what, w -> List.of(new HashMap<>(), new HashMap<>()));
        ways.get(0).merge(observation, shares[0], Double::sum);
        ways.get(1).merge(observation, shares[1], Double::sum);
    }

    /** How a sight's value changes as its far end moves north and east. */
    private double[] byFarEnd(Part plan, Part.Said said) {
        double[] from = at(plan, places.get(said.ray().from()));
        double[] to = at(plan, places.get(said.target()));
        double north = to[0] - from[0];
        double east = to[1] - from[1];
        double length = Math.max(Math.hypot(north, east), NO_SHIFT);
        return said.kind() == Kind.DIRECTION
                ? new double[] {-east / (length * length), north / (length * length)}
                : new double[] {north / length, east / length};
    }

    private static double[] at(Part plan, Place place) {
        return new double[] {
            place.north() == Place.HELD ? place.northing() : plan.adjustment().unknown(place.north()),
            place.east() == Place.HELD ? place.easting() : plan.adjustment().unknown(place.east())
        };
    }

    private List<Hypothesis> ofHeights(Part heights) {
        Map<String, Integer> sights = sightsOf(heights);
        Map<What, Map<Integer, Double>> shared = new LinkedHashMap<>();
        List<Hypothesis> all = new ArrayList<>();
        for (int i = 0; i < heights.said().size(); i++) {
            Part.Said said = heights.said().get(i);
            if (said.ray() == null) {
                all.add(Hypothesis.one(new What(SingleFault.Kind.COORDINATES, "", said.target()), i));
                continue;
            }
            What single = new What(SingleFault.Kind.HEIGHT_DIFFERENCE, said.setup(), said.target());
            if (sights.get(said.target()) == 1) {
                if (inLevel.containsKey(said.target())) {
                    inLevel.get(said.target()).anything(single);
                }
            } else {
                all.add(Hypothesis.one(single, i));
            }
            shared.computeIfAbsent(
                            new What(SingleFault.Kind.INSTRUMENT_HEIGHT, said.setup(), ""), what -> new HashMap<>())
                    .put(i, 1.0);
            level(shared, said.target(), i, 1);
            level(shared, said.ray().from(), i, -1);
        }
        shared.forEach((what, shares) -> all.add(new Hypothesis(what, List.of(shares))));
        return all;
    }

    private void level(Map<What, Map<Integer, Double>> shared, String mark, int observation, double share) {
        if (!levels.containsKey(mark)) {
            shared.computeIfAbsent(new What(SingleFault.Kind.CONTROL_ELEVATION, "", mark), what -> new HashMap<>())
                    .merge(observation, share, Double::sum);
        }
    }

    /** One fault on its part of the network, along the one or two directions in which its ways are independent of each other. */
    private final class Trial {
        private final Hypothesis hypothesis;
        private final Adjustment adjustment;
        private final Adjustment.Response[] responses;
        private final double[] weights;
        private final double[][] axes;
        private final double[] shown;

        Trial(Part part, Hypothesis hypothesis) {
            this.hypothesis = hypothesis;
            this.adjustment = part.adjustment();
            int ways = hypothesis.ways().size();
            this.responses = new Adjustment.Response[ways];
            for (int i = 0; i < ways; i++) {
                responses[i] = adjustment.response(hypothesis.ways().get(i));
            }
            double[][] matrix = new double[2][2];
            double[][] weight = new double[2][2];
            for (int i = 0; i < ways; i++) {
                for (int j = 0; j < ways; j++) {
                    weight[i][j] = weight(i, j);
                    matrix[i][j] = weight[i][j] - responses[i].takenUp(responses[j]);
                }
            }
            this.axes = ways == 1 ? new double[][] {{1}} : axes(matrix);
            this.shown = new double[ways];
            this.weights = new double[ways];
            for (int k = 0; k < ways; k++) {
                for (int i = 0; i < ways; i++) {
                    for (int j = 0; j < ways; j++) {
                        shown[k] += axes[k][i] * matrix[i][j] * axes[k][j];
                        weights[k] += axes[k][i] * weight[i][j] * axes[k][j];
                    }
                }
            }
        }

        private double weight(int one, int other) {
            double sum = 0;
            Map<Integer, Double> shares = hypothesis.ways().get(other);
            for (Map.Entry<Integer, Double> entry : hypothesis.ways().get(one).entrySet()) {
                double stdDev = adjustment.stdDev(entry.getKey());
                sum += entry.getValue() * shares.getOrDefault(entry.getKey(), 0.0) / (stdDev * stdDev);
            }
            return sum;
        }

        private static double[][] axes(double[][] m) {
            double turn = Math.atan2(2 * m[0][1], m[0][0] - m[1][1]) / 2;
            return new double[][] {{Math.cos(turn), Math.sin(turn)}, {-Math.sin(turn), Math.cos(turn)}};
        }

        private boolean isShown(int axis) {
            return weights[axis] > 0 && shown[axis] > SHOWN * weights[axis];
        }

        void judge(Map<String, Worst> worst, Function<String, int[]> unknownsOf) {
            double test = 0;
            double size = 0;
            int degrees = 0;
            for (int k = 0; k < axes.length; k++) {
                if (isShown(k)) {
                    double estimate = explained(k) / shown[k];
                    test += explained(k) * estimate;
                    size = Math.hypot(size, estimate);
                    degrees++;
                }
            }
            if (degrees > 0) {
                faults.add(new SingleFault(hypothesis.what(), size, Math.sqrt(test) / LIMIT[degrees - 1]));
            }
            worst.forEach((mark, at) -> shift(at, unknownsOf.apply(mark)));
        }

        /** What the residuals say along an axis. */
        private double explained(int axis) {
            double sum = 0;
            for (int i = 0; i < axes.length; i++) {
                for (Map.Entry<Integer, Double> entry : hypothesis.ways().get(i).entrySet()) {
                    double stdDev = adjustment.stdDev(entry.getKey());
                    sum -= axes[axis][i] * entry.getValue() * adjustment.residual(entry.getKey()) / (stdDev * stdDev);
                }
            }
            return sum;
        }

        /** The longest arrow of an ellipse whose conjugate half axes are the shifts along the axes. */
        private void shift(Worst at, int[] unknowns) {
            double nn = 0;
            double ee = 0;
            double ne = 0;
            for (int k = 0; k < axes.length; k++) {
                double north = moved(k, unknowns[0]);
                double east = unknowns.length > 1 ? moved(k, unknowns[1]) : 0;
                if (isShown(k)) {
                    double most = Observation.DETECTABLE_FACTOR / Math.sqrt(shown[k]);
                    nn += most * most * north * north;
                    ee += most * most * east * east;
                    ne += most * most * north * east;
                } else if (weights[k] > 0 && Math.hypot(north, east) / Math.sqrt(weights[k]) > NO_SHIFT) {
                    at.anything(hypothesis.what());
                    return;
                }
            }
            at.take(Math.sqrt((nn + ee) / 2 + Math.hypot((nn - ee) / 2, ne)), hypothesis.what());
        }

        private double moved(int axis, int unknown) {
            double sum = 0;
            for (int i = 0; i < axes.length && unknown != Place.HELD; i++) {
                sum += axes[axis][i] * responses[i].shift()[unknown];
            }
            return sum;
        }
    }
}
