package markturn.survey.result;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import markturn.survey.job.Traverse;

/**
 * A traverse as computed. Misclosures are carried minus known, lengths metres, angles radians; north, east and linear misclosure, and the
 * legs, are after balancing angles and before the rule. Empty in an open traverse.
 *
 * @param why why nothing could be carried along the route, in the field's words; empty where it could
 * @param angles how many angles the angular misclosure rests on; 0 where the azimuth does not close
 * @param length of all legs
 * @param predicted one sigma of each misclosure from the instrument's figures
 * @param loop whether it ends on the mark it began with
 * @param rules the coordinates of the route's stations by each rule that could be computed
 * @param suspects what, wrong alone, would let it close in plan, the best first; empty where its misfit is no more than chance
 * @param levelSuspects the same in elevation
 */
public record MeasuredTraverse(
        Traverse traverse,
        Optional<String> why,
        OptionalDouble angular,
        OptionalDouble angularLimit,
        int angles,
        OptionalDouble northing,
        OptionalDouble easting,
        OptionalDouble elevation,
        OptionalDouble length,
        List<Leg> legs,
        Predicted predicted,
        boolean loop,
        Map<Traverse.Rule, List<Position>> rules,
        List<Suspect> suspects,
        List<Suspect> levelSuspects) {

    /**
     * One leg of the route.
     *
     * @param angle clockwise from the leg before to this one, as measured; empty at the start
     * @param azimuth balanced
     * @param horizontal grid distance, mean of both ways
     * @param rise height difference, mean of both ways
     * @param bothWays second length less first; empty where it was measured one way
     */
    public record Leg(
            String from,
            String to,
            OptionalDouble angle,
            double azimuth,
            double horizontal,
            OptionalDouble rise,
            OptionalDouble bothWays) {
        public double departure() {
            return horizontal * Math.sin(azimuth);
        }

        public double latitude() {
            return horizontal * Math.cos(azimuth);
        }
    }

    /** One sigma of the angular misclosure, of the end's place, and of its elevation. */
    public record Predicted(double angular, Covariance plan, double elevation) {
        /** The standard normal deviate that 95 % stay within, both ends. */
        private static final double LINE_95 = 1.96;

        /** What 95 % of angular misclosures stay within, radians. */
        public double angular95() {
            return LINE_95 * angular;
        }

        /** The same northwards, metres. */
        public double northing95() {
            return LINE_95 * Math.sqrt(plan.nn());
        }

        /** The same eastwards, metres. */
        public double easting95() {
            return LINE_95 * Math.sqrt(plan.ee());
        }

        /** The length that 95 % of gaps stay within at most, metres. */
        public double linear95() {
            return plan.ellipse().of95().semiMajor();
        }

        /** The same in elevation, metres. */
        public double elevation95() {
            return LINE_95 * elevation;
        }
    }

    /**
     * What a leg and its angle took so that the figure closes.
     *
     * @param angle radians; empty where no angle was balanced
     * @param latitude metres; empty in an open traverse, so for the departure
     */
    public record Correction(OptionalDouble angle, OptionalDouble latitude, OptionalDouble departure) {}

    /** The corrections of a leg by the traverse's own rule. */
    public Correction correction(int leg) {
        OptionalDouble none = OptionalDouble.empty();
        boolean balanced = angular.isPresent() && legs.get(leg).angle().isPresent();
        OptionalDouble angle = balanced ? OptionalDouble.of(-angular.getAsDouble() / angles) : none;
        if (northing.isEmpty()) {
            return new Correction(angle, none, none);
        }
        Position from = stations().get(leg);
        Position to = stations().get(leg + 1);
        return new Correction(
                angle,
                OptionalDouble.of(
                        to.northing() - from.northing() - legs.get(leg).latitude()),
                OptionalDouble.of(to.easting() - from.easting() - legs.get(leg).departure()));
    }

    public String name() {
        return traverse.name();
    }

    /** Length of the linear misclosure; empty where it is open. */
    public OptionalDouble linear() {
        return northing.isPresent()
                ? OptionalDouble.of(Math.hypot(northing.getAsDouble(), easting.getAsDouble()))
                : OptionalDouble.empty();
    }

    /** The N of 1 : N; empty where it is open or closes exactly. */
    public OptionalDouble ratio() {
        return linear().isPresent() && linear().getAsDouble() > 0
                ? OptionalDouble.of(length.getAsDouble() / linear().getAsDouble())
                : OptionalDouble.empty();
    }

    /** The stations of the route by the traverse's own rule; as carried where that could not be computed. */
    public List<Position> stations() {
        return rules.getOrDefault(traverse.rule(), rules.getOrDefault(Traverse.Rule.COMPASS, List.of()));
    }

    /** How far apart two rules put a station of the route at most, in the plan, metres; 0 where there is only one. */
    public double apart(int station) {
        double largest = 0;
        for (List<Position> one : rules.values()) {
            for (List<Position> other : rules.values()) {
                largest = Math.max(largest, one.get(station).distanceTo(other.get(station)));
            }
        }
        return largest;
    }

    /** The largest difference in the plan between two rules, metres; 0 where there is only one. */
    public double largestDifference() {
        return IntStream.range(0, stations().size())
                .mapToDouble(this::apart)
                .max()
                .orElse(0);
    }
}
