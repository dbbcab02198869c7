package markturn.survey.station;

import java.util.Optional;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Resected.Pair;

/** Distances between marks as measured from one station, against coordinates. */
final class MarkToMark {
    private MarkToMark() {}

    /** The distance between two marks from their directions and distances alone: it needs no adjustment. */
    static Optional<Pair> pair(Sight a, Sight b, Weights weights) {
        if (a.direction().isEmpty()
                || b.direction().isEmpty()
                || a.distance().isEmpty()
                || b.distance().isEmpty()) {
            return Optional.empty();
        }
        double angle = b.direction().getAsDouble() - a.direction().getAsDouble();
        double toA = a.distance().getAsDouble();
        double toB = b.distance().getAsDouble();
        double north = toB * Math.cos(angle) - toA;
        double east = toB * Math.sin(angle);
        double measured = Math.hypot(north, east);
        double known = Math.hypot(b.northing() - a.northing(), b.easting() - a.easting());
        if (measured == 0) {
            return Optional.empty();
        }
        // Along each line its ranging, across it its pointing; each by its share of the line between the marks.
        double atA = Math.atan2(east, north);
        double variance = share(weights, a, toA, Math.cos(atA), Math.sin(atA))
                + share(weights, b, toB, Math.cos(atA - angle), Math.sin(atA - angle))
                + coordinates(a)
                + coordinates(b);
        return Optional.of(new Pair(a.target(), b.target(), measured - known, Math.sqrt(variance)));
    }

    private static double share(Weights weights, Sight sight, double length, double along, double across) {
        return Math.pow(along * sight.distanceStdDev(weights), 2)
                + Math.pow(across * length * sight.directionStdDev(weights, length), 2);
    }

    private static double coordinates(Sight sight) {
        return sight.deviations()
                .map(d -> Math.max(d.northing() * d.northing(), d.easting() * d.easting()))
                .orElse(0.0);
    }
}
