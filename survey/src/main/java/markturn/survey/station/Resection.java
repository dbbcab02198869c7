package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.angle.Angles;
import markturn.survey.job.Mark;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Observation.Kind;

/**
 * The plan of a free station: northing, easting and orientation, and the scale where it is asked for, from directions and distances in any
 * mix. Weighted least squares from every start that the closed forms give; a second solution that fits alike is not hidden.
 */
final class Resection {
    static final int NORTHING = 0;
    static final int EASTING = 1;
    static final int ORIENTATION = 2;
    static final int EXTRA = 3;
    static final int PLAN_UNKNOWNS = 3;
    private static final int MOST_ROUNDS = 12;
    /** Solutions nearer to each other than this are one, metres. */
    private static final double ONE_PLACE = 0.002;
    /** A variance factor below this leaves no doubt that the sights belong together. */
    private static final double WELL_WITHIN = 9;
    /** Two solutions fit alike where their weighted squares differ by less: chi-square, 2 degrees of freedom, 0.1 %. */
    private static final double FITS_ALIKE = 13.8;

    /** What is solved for beside place and orientation. */
    enum Extra {
        NOTHING,
        SCALE,
        CONSTANT
    }

    /** Which observation of the adjustment belongs to which sight. */
    record Row(int sight, Kind kind) {}

    /** Either a solution, or why there is none. */
    record Outcome(Optional<ResectionSolution> solution, String why) {}

    private final List<Sight> asGiven;
    private final List<Sight> sights;
    private final Weights weights;
    private final Extra extra;
    private final double originNorth;
    private final double originEast;

    private Resection(List<Sight> sights, Weights weights, Extra extra) {
        // Counted from the first mark: coordinates in the millions would cost the last digits.
        this.asGiven = sights;
        this.originNorth = sights.isEmpty() ? 0 : sights.get(0).northing();
        this.originEast = sights.isEmpty() ? 0 : sights.get(0).easting();
        this.sights =
                sights.stream().map(s -> s.movedBy(-originNorth, -originEast)).toList();
        this.weights = weights;
        this.extra = extra;
    }

    /** Solves it. */
    static Outcome solve(List<Sight> sights, Weights weights, Extra extra) {
        return new Resection(sights, weights, extra).solve();
    }

    /** Solves it from where another solution stands: for trials that move it little. */
    static Optional<ResectionSolution> near(ResectionSolution other, List<Sight> sights, Weights weights, Extra extra) {
        Resection trial = new Resection(sights, weights, extra);
        return trial.adjusted(new Starts.Start(
                other.north() - trial.originNorth, other.east() - trial.originEast, other.orientation()));
    }

    /** The solution of what is left when one mark is taken out; empty where that does not determine a place. */
    static Optional<ResectionSolution> without(ResectionSolution all, List<Sight> others, Weights weights) {
        long observations = others.stream()
                .mapToLong(s -> (s.givesDirection() ? 1 : 0) + (s.givesDistance() ? 1 : 0))
                .sum();
        int unknowns = PLAN_UNKNOWNS + (all.extra() == Extra.NOTHING ? 0 : 1);
        return observations < unknowns ? Optional.empty() : near(all, others, weights, all.extra());
    }

    private Outcome solve() {
        long directions = sights.stream().filter(Sight::givesDirection).count();
        long distances = sights.stream().filter(Sight::givesDistance).count();
        int unknowns = PLAN_UNKNOWNS + (extra == Extra.NOTHING ? 0 : 1);
        if (directions == 0 || directions + distances < unknowns) {
            return none("%d %s and %d %s are too few for a place and an orientation: sight another mark"
                    .formatted(
                            directions,
                            directions == 1 ? "direction" : "directions",
                            distances,
                            distances == 1 ? "distance" : "distances"));
        }
        List<ResectionSolution> found = new ArrayList<>();
        for (Starts.Start start : Starts.of(sights)) {
            adjusted(start).filter(s -> isNew(s, found)).ifPresent(found::add);
            if (isBeyondDoubt(found)) {
                break;
            }
        }
        found.sort(java.util.Comparator.comparingDouble(s -> s.adjustment().squares()));
        if (found.isEmpty()) {
            return none(whyNothing());
        }
        boolean alike = found.size() > 1
                && found.get(1).adjustment().squares()
                                - found.get(0).adjustment().squares()
                        < FITS_ALIKE;
        if (alike) {
            return none(
                    "two positions fit these sights alike, %s apart: sight another mark, or measure another distance"
                            .formatted(apart(found.get(0), found.get(1))));
        }
        return new Outcome(Optional.of(found.get(0)), "");
    }

    /** Two marks with direction and distance leave one place only; where it fits, no other start can find a better one. */
    private boolean isBeyondDoubt(List<ResectionSolution> found) {
        long rigid = sights.stream()
                .filter(s -> s.givesDirection() && s.givesDistance())
                .count();
        return rigid >= 2
                && found.size() == 1
                && found.get(0).adjustment().squares()
                        < WELL_WITHIN * Math.max(1, found.get(0).adjustment().redundancy());
    }

    private static Outcome none(String why) {
        return new Outcome(Optional.empty(), why);
    }

    private static String apart(ResectionSolution one, ResectionSolution other) {
        return "%.0f m".formatted(Math.hypot(one.north() - other.north(), one.east() - other.east()));
    }

    private static boolean isNew(ResectionSolution solution, List<ResectionSolution> found) {
        return found.stream()
                .noneMatch(s -> Math.hypot(s.north() - solution.north(), s.east() - solution.east()) < ONE_PLACE
                        && Math.abs(Angles.shortWay(s.orientation() - solution.orientation())) < 1e-4);
    }

    private String whyNothing() {
        List<Sight> used = sights.stream()
                .filter(s -> s.givesDirection() || s.givesDistance())
                .toList();
        boolean onePlace = used.stream()
                .allMatch(s -> Math.hypot(
                                s.northing() - used.get(0).northing(),
                                s.easting() - used.get(0).easting())
                        < ONE_PLACE);
        if (onePlace) {
            return "the marks sighted are at one place by their coordinates: sight another mark";
        }
        return sights.stream().anyMatch(Sight::givesDistance)
                ? "marks and station lie on one line, or no place fits these sights: look at names and coordinates, and sight a mark to the side"
                : "the station lies on one circle with the marks, or on one line: angles alone cannot place it. Measure a distance, or sight another mark";
    }

    /** Directions without distance are weighed by the length of the solution, so the adjustment is repeated until that rests. */
    private Optional<ResectionSolution> adjusted(Starts.Start start) {
        double[] unknowns = start(start);
        boolean weightsRest = sights.stream()
                .noneMatch(s -> s.givesDirection() && s.distance().isEmpty());
        ResectionSolution solution = null;
        for (int round = 0; round < MOST_ROUNDS; round++) {
            List<Row> rows = new ArrayList<>();
            List<Observed> observations = observations(unknowns, rows);
            try {
                int size = unknowns.length;
                Adjustment adjustment =
                        LeastSquares.adjust(observations, unknowns, () -> new DenseNormalEquations(size));
                double moved = Math.hypot(
                        adjustment.unknown(NORTHING) - unknowns[NORTHING],
                        adjustment.unknown(EASTING) - unknowns[EASTING]);
                unknowns = adjustment.unknowns();
                solution = new ResectionSolution(adjustment, rows, asGiven, extra, originNorth, originEast);
                if (weightsRest || (round > 0 && moved < 1e-10)) {
                    break;
                }
            } catch (RankDefect | NotConverging notFromHere) {
                return Optional.empty();
            }
        }
        return Optional.ofNullable(solution);
    }

    private double[] start(Starts.Start start) {
        List<Double> unknowns = new ArrayList<>(List.of(start.north(), start.east(), start.orientation()));
        if (extra != Extra.NOTHING) {
            unknowns.add(extra == Extra.SCALE ? 1.0 : 0.0);
        }
        for (Sight sight : sights) {
            if (takesPart(sight)) {
                if (deviation(sight, true) > 0) {
                    unknowns.add(sight.northing());
                }
                if (deviation(sight, false) > 0) {
                    unknowns.add(sight.easting());
                }
            }
        }
        return unknowns.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static boolean takesPart(Sight sight) {
        return sight.givesDirection() || sight.givesDistance();
    }

    private static double deviation(Sight sight, boolean north) {
        return sight.deviations().map(d -> north ? d.northing() : d.easting()).orElse(0.0);
    }

    private List<Observed> observations(double[] unknowns, List<Row> rows) {
        NumberedPlace station = NumberedPlace.unknown(NORTHING, EASTING);
        List<Observed> observations = new ArrayList<>();
        int next = PLAN_UNKNOWNS + (extra == Extra.NOTHING ? 0 : 1);
        for (int i = 0; i < sights.size(); i++) {
            Sight sight = sights.get(i);
            if (!takesPart(sight)) {
                continue;
            }
            int north = deviation(sight, true) > 0 ? next++ : NumberedPlace.HELD;
            int east = deviation(sight, false) > 0 ? next++ : NumberedPlace.HELD;
            NumberedPlace mark = new NumberedPlace(north, east, sight.northing(), sight.easting());
            double length = Math.hypot(sight.northing() - unknowns[NORTHING], sight.easting() - unknowns[EASTING]);
            if (sight.givesDirection()) {
                rows.add(new Row(i, Kind.DIRECTION));
                observations.add(new Direction(
                        station,
                        mark,
                        ORIENTATION,
                        sight.direction().getAsDouble(),
                        sight.directionStdDev(weights, length)));
            }
            if (sight.givesDistance()) {
                rows.add(new Row(i, Kind.DISTANCE));
                observations.add(new Distance(
                        station,
                        mark,
                        extra == Extra.SCALE ? EXTRA : NumberedPlace.HELD,
                        extra == Extra.CONSTANT ? EXTRA : NumberedPlace.HELD,
                        sight.distance().getAsDouble(),
                        sight.distanceStdDev(weights)));
            }
            if (north != NumberedPlace.HELD) {
                rows.add(new Row(i, Kind.NORTHING));
                observations.add(new Coordinate(
                        north,
                        sight.northing(),
                        sight.deviations().map(Mark.Deviations::northing).orElseThrow()));
            }
            if (east != NumberedPlace.HELD) {
                rows.add(new Row(i, Kind.EASTING));
                observations.add(new Coordinate(
                        east,
                        sight.easting(),
                        sight.deviations().map(Mark.Deviations::easting).orElseThrow()));
            }
        }
        return observations;
    }
}
