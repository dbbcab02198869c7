package markturn.survey.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What stands on the ground, and what it lets see. Equal where the same stands on it. */
public final class Ground {
    public static final Ground OPEN = new Ground(List.of());

    /** A sight passes above a top by at least that, metres; common practice, no source. */
    static final double ABOVE = 0.2;

    /** A sight that passes nearer beside a corner grazes it, metres; common practice, no source. */
    static final double BESIDE = 0.3;

    /** Just past a corner, radians. */
    private static final double PAST = 1e-7;

    /** The rim of what is seen in the open, in so many corners. */
    private static final int RIM = 72;

    private final List<Obstacle> obstacles;

    /** Those that block a view, with their edges beside them: asked for at every sight. */
    private final List<Blocking> blocking = new ArrayList<>();

    private record Blocking(Obstacle obstacle, List<Obstacle.Edge> edges) {}

    public Ground(List<Obstacle> obstacles) {
        this.obstacles = List.copyOf(obstacles);
        for (Obstacle obstacle : obstacles) {
            if (obstacle.kind() == Obstacle.Kind.BLOCKS_VIEW) {
                blocking.add(new Blocking(obstacle, obstacle.edges()));
            }
        }
    }

    public List<Obstacle> obstacles() {
        return obstacles;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Ground ground && obstacles.equals(ground.obstacles);
    }

    @Override
    public int hashCode() {
        return obstacles.hashCode();
    }

    /** How a sight passes. */
    public enum View {
        CLEAR("clear"),
        GRAZING("grazing"),
        BLOCKED("blocked");

        private final String words;

        View(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * An end of a sight.
     *
     * @param level elevation of the instrument's axis or of the target itself, metres; empty where unknown
     */
    public record End(Place at, OptionalDouble level) {}

    /**
     * How a sight passes, and by what.
     *
     * @param by what blocks or grazes it; empty where nothing does
     */
    public record Sight(View view, Optional<Obstacle> by) {
        static final Sight CLEAR = new Sight(View.CLEAR, Optional.empty());

        public boolean isSeen() {
            return view != View.BLOCKED;
        }
    }

    /** How one end is seen from the other; the same both ways. */
    public Sight between(End from, End to) {
        Optional<Obstacle> by = blocker(from, to);
        if (by.isPresent()) {
            return new Sight(View.BLOCKED, by);
        }
        for (Blocking one : blocking) {
            if (grazes(one, from, to)) {
                return new Sight(View.GRAZING, Optional.of(one.obstacle()));
            }
        }
        return Sight.CLEAR;
    }

    /** Whether one end is seen from the other at all. */
    public boolean isSeen(End from, End to) {
        return blocker(from, to).isEmpty();
    }

    private Optional<Obstacle> blocker(End from, End to) {
        for (Blocking one : blocking) {
            for (Obstacle.Edge edge : one.edges()) {
                if (blocks(one.obstacle(), edge, from, to)) {
                    return Optional.of(one.obstacle());
                }
            }
        }
        return Optional.empty();
    }

    private static boolean blocks(Obstacle obstacle, Obstacle.Edge edge, End from, End to) {
        double at = crossing(from.at(), to.at(), edge);
        return at >= 0 && at <= 1 && !passesAbove(obstacle, from, to, at);
    }

    private static boolean passesAbove(Obstacle obstacle, End from, End to, double at) {
        return obstacle.top().isPresent()
                && from.level().isPresent()
                && to.level().isPresent()
                && from.level().getAsDouble()
                                + at * (to.level().getAsDouble() - from.level().getAsDouble())
                        >= obstacle.top().getAsDouble() + ABOVE;
    }

    /** Whether a sight that crosses nothing passes near: two lines that do not cross are nearest at an end of one of them. */
    private static boolean grazes(Blocking one, End from, End to) {
        Obstacle obstacle = one.obstacle();
        for (Place corner : obstacle.corners()) {
            double at = nearest(from.at(), to.at(), corner);
            if (on(from.at(), to.at(), at).distanceTo(corner) < BESIDE && !passesAbove(obstacle, from, to, at)) {
                return true;
            }
        }
        for (Obstacle.Edge edge : one.edges()) {
            if (isBeside(edge, from.at()) && !passesAbove(obstacle, from, to, 0)
                    || isBeside(edge, to.at()) && !passesAbove(obstacle, from, to, 1)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isBeside(Obstacle.Edge edge, Place place) {
        return on(edge.from(), edge.to(), nearest(edge.from(), edge.to(), place))
                        .distanceTo(place)
                < BESIDE;
    }

    /** Where a line is nearest to a place, as a share of it. */
    private static double nearest(Place from, Place to, Place place) {
        double north = to.northing() - from.northing();
        double east = to.easting() - from.easting();
        double square = north * north + east * east;
        double along = (place.northing() - from.northing()) * north + (place.easting() - from.easting()) * east;
        return square == 0 ? 0 : Math.min(1, Math.max(0, along / square));
    }

    private static Place on(Place from, Place to, double at) {
        return new Place(
                from.northing() + at * (to.northing() - from.northing()),
                from.easting() + at * (to.easting() - from.easting()));
    }

    /**
     * Where a line crosses an edge, as a share of the line; not a number where it does not. Touching counts: a sight along a wall sees
     * nothing.
     */
    private static double crossing(Place from, Place to, Obstacle.Edge edge) {
        double north = to.northing() - from.northing();
        double east = to.easting() - from.easting();
        double edgeNorth = edge.to().northing() - edge.from().northing();
        double edgeEast = edge.to().easting() - edge.from().easting();
        double cross = north * edgeEast - east * edgeNorth;
        double byNorth = edge.from().northing() - from.northing();
        double byEast = edge.from().easting() - from.easting();
        if (cross == 0) {
            return alongside(north, east, byNorth, byEast, edge, from);
        }
        double onEdge = (byNorth * east - byEast * north) / cross;
        return onEdge >= 0 && onEdge <= 1 ? (byNorth * edgeEast - byEast * edgeNorth) / cross : Double.NaN;
    }

    private static double alongside(
            double north, double east, double byNorth, double byEast, Obstacle.Edge edge, Place from) {
        double square = north * north + east * east;
        if (square == 0 || byNorth * east - byEast * north != 0) {
            return Double.NaN;
        }
        double one = (byNorth * north + byEast * east) / square;
        double other =
                ((edge.to().northing() - from.northing()) * north + (edge.to().easting() - from.easting()) * east)
                        / square;
        double first = Math.max(0, Math.min(one, other));
        return first <= Math.max(one, other) ? first : Double.NaN;
    }

    /** Whether an instrument can stand there. */
    public boolean canStand(Place place) {
        return obstacles.stream().noneMatch(obstacle -> obstacle.holds(place));
    }

    /**
     * What is seen around a place: a polygon, clockwise from north. A sweep over the corners of what blocks: between two neighbours the rim
     * is straight.
     *
     * @param from with the level of its axis; what lies lower than a level sight from there blocks nothing
     * @param reach how far one looks, metres
     */
    public List<Place> seenFrom(End from, double reach) {
        List<Obstacle.Edge> edges = new ArrayList<>();
        for (Blocking one : blocking) {
            if (!passesAbove(one.obstacle(), from, from, 0)) {
                edges.addAll(one.edges());
            }
        }
        double[] azimuths = new double[RIM + 6 * edges.size()];
        int count = 0;
        for (int i = 0; i < RIM; i++) {
            azimuths[count++] = -Math.PI + 2 * Math.PI * i / RIM;
        }
        for (Obstacle.Edge edge : edges) {
            for (Place corner : List.of(edge.from(), edge.to())) {
                double azimuth = from.at().azimuthTo(corner);
                azimuths[count++] = azimuth - PAST;
                azimuths[count++] = azimuth;
                azimuths[count++] = azimuth + PAST;
            }
        }
        Arrays.sort(azimuths);
        List<Place> rim = new ArrayList<>();
        for (double azimuth : azimuths) {
            Place far = from.at().towards(azimuth, reach);
            double nearest = 1;
            for (Obstacle.Edge edge : edges) {
                double at = crossing(from.at(), far, edge);
                if (at >= 0 && at < nearest) {
                    nearest = at;
                }
            }
            rim.add(from.at().towards(azimuth, nearest * reach));
        }
        return rim;
    }
}
