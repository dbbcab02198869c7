package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.angle.Angles;

/**
 * Places from which a resection can be adjusted, in closed form: a rigid fit of two marks with direction and distance, a distance and two
 * directions, two distances, or three directions. Textbook. Where a figure has two solutions, both are given.
 */
final class Starts {
    /** A station and its orientation, metres and radians. */
    record Start(double north, double east, double orientation) {}

    private static final int MOST_PAIRS = 6;
    private static final double NEARLY_ZERO = 1e-9;

    private final List<Sight> sights;
    private final List<Start> starts = new ArrayList<>();

    private Starts(List<Sight> sights) {
        this.sights = sights;
    }

    /** Every start that some few of the sights give. */
    static List<Start> of(List<Sight> sights) {
        Starts all = new Starts(sights);
        all.pairs();
        if (all.starts.isEmpty()) {
            all.triples();
        }
        return all.starts;
    }

    private void pairs() {
        int tried = 0;
        for (int i = 0; i < sights.size() && tried < MOST_PAIRS; i++) {
            for (int j = i + 1; j < sights.size() && tried < MOST_PAIRS; j++) {
                int before = starts.size();
                pair(sights.get(i), sights.get(j));
                tried += starts.size() > before ? 1 : 0;
            }
        }
    }

    private void pair(Sight a, Sight b) {
        if (Math.hypot(a.northing() - b.northing(), a.easting() - b.easting()) < NEARLY_ZERO) {
            return;
        }
        boolean directions = a.givesDirection() && b.givesDirection();
        if (directions && a.givesDistance() && b.givesDistance()) {
            rigid(a, b);
        } else if (directions && a.givesDistance()) {
            oneDistance(a, b);
        } else if (directions && b.givesDistance()) {
            oneDistance(b, a);
        } else if (a.givesDistance() && b.givesDistance()) {
            twoDistances(a, b);
        }
    }

    /** The marks as seen from the station, turned until they lie as their coordinates do. */
    private void rigid(Sight a, Sight b) {
        double[] seenA = polar(a);
        double[] seenB = polar(b);
        double seen = Math.atan2(seenB[1] - seenA[1], seenB[0] - seenA[0]);
        double known = Math.atan2(b.easting() - a.easting(), b.northing() - a.northing());
        double orientation = known - seen;
        start(
                (a.northing() + b.northing()) / 2 - mean(seenA, seenB, orientation, 0),
                (a.easting() + b.easting()) / 2 - mean(seenA, seenB, orientation, 1),
                orientation);
    }

    private static double[] polar(Sight sight) {
        double length = sight.distance().getAsDouble();
        double direction = sight.direction().getAsDouble();
        return new double[] {length * Math.cos(direction), length * Math.sin(direction)};
    }

    private static double mean(double[] one, double[] other, double by, int axis) {
        double north = (one[0] + other[0]) / 2;
        double east = (one[1] + other[1]) / 2;
        return axis == 0 ? north * Math.cos(by) - east * Math.sin(by) : north * Math.sin(by) + east * Math.cos(by);
    }

    /** The triangle of two marks and the station from one distance and the angle between: two solutions by the sine rule. */
    private void oneDistance(Sight a, Sight b) {
        double base = Math.hypot(b.northing() - a.northing(), b.easting() - a.easting());
        double toB = Math.atan2(b.easting() - a.easting(), b.northing() - a.northing());
        double angle =
                Angles.shortWay(b.direction().getAsDouble() - a.direction().getAsDouble());
        double sine = a.distance().getAsDouble() * Math.sin(Math.abs(angle)) / base;
        if (sine > 1) {
            sine = 1;
        }
        double atB = Math.asin(sine);
        for (double candidate : new double[] {atB, Math.PI - atB}) {
            double atA = Math.PI - Math.abs(angle) - candidate;
            if (atA > 0) {
                // Seen from the station b lies clockwise of a where the angle is positive; then the station lies
                // clockwise of b at a.
                double azimuth = toB + Math.signum(angle) * atA;
                double length = a.distance().getAsDouble();
                fromMark(a, azimuth, length);
            }
        }
    }

    private void fromMark(Sight mark, double azimuth, double length) {
        double north = mark.northing() + length * Math.cos(azimuth);
        double east = mark.easting() + length * Math.sin(azimuth);
        start(north, east, azimuth + Math.PI - mark.direction().getAsDouble());
    }

    /** Two circles, and the orientation from whatever direction there is. */
    private void twoDistances(Sight a, Sight b) {
        Sight oriented =
                sights.stream().filter(Sight::givesDirection).findFirst().orElse(null);
        if (oriented == null) {
            return;
        }
        double north = b.northing() - a.northing();
        double east = b.easting() - a.easting();
        double base = Math.hypot(north, east);
        double fromA = a.distance().getAsDouble();
        double fromB = b.distance().getAsDouble();
        double along = (base * base + fromA * fromA - fromB * fromB) / (2 * base);
        double across = Math.sqrt(Math.max(0, fromA * fromA - along * along));
        for (double side : new double[] {across, -across}) {
            double n = a.northing() + (along * north - side * east) / base;
            double e = a.easting() + (along * east + side * north) / base;
            double azimuth = Math.atan2(oriented.easting() - e, oriented.northing() - n);
            start(n, e, azimuth - oriented.direction().getAsDouble());
        }
    }

    private void triples() {
        List<Sight> seen = sights.stream().filter(Sight::givesDirection).toList();
        int tried = 0;
        for (int i = 0; i < seen.size(); i++) {
            for (int j = i + 1; j < seen.size(); j++) {
                for (int k = j + 1; k < seen.size() && tried < MOST_PAIRS; k++) {
                    threeDirections(seen.get(i), seen.get(j), seen.get(k));
                    tried++;
                }
            }
        }
    }

    /** Three-point resection by the two circles over the sides (the construction of Cassini). */
    private void threeDirections(Sight a, Sight b, Sight c) {
        double alpha = b.direction().getAsDouble() - a.direction().getAsDouble();
        double beta = c.direction().getAsDouble() - b.direction().getAsDouble();
        if (Math.abs(Math.sin(alpha)) < NEARLY_ZERO || Math.abs(Math.sin(beta)) < NEARLY_ZERO) {
            return;
        }
        // The far ends of the two diameters through b; the station is the foot of b on the line that joins them.
        double cotAlpha = 1 / Math.tan(alpha);
        double cotBeta = 1 / Math.tan(beta);
        double hn = a.northing() - (b.easting() - a.easting()) * cotAlpha;
        double he = a.easting() + (b.northing() - a.northing()) * cotAlpha;
        double kn = c.northing() - (c.easting() - b.easting()) * cotBeta;
        double ke = c.easting() + (c.northing() - b.northing()) * cotBeta;
        double lineNorth = kn - hn;
        double lineEast = ke - he;
        double squared = lineNorth * lineNorth + lineEast * lineEast;
        if (squared < NEARLY_ZERO) {
            return;
        }
        double share = ((b.northing() - hn) * lineNorth + (b.easting() - he) * lineEast) / squared;
        double north = hn + share * lineNorth;
        double east = he + share * lineEast;
        double azimuth = Math.atan2(b.easting() - east, b.northing() - north);
        start(north, east, azimuth - b.direction().getAsDouble());
        start(north, east, azimuth - b.direction().getAsDouble() + Math.PI);
    }

    private void start(double north, double east, double orientation) {
        if (Double.isFinite(north) && Double.isFinite(east) && Double.isFinite(orientation)) {
            starts.add(new Start(north, east, Angles.onCircle(orientation)));
        }
    }
}
