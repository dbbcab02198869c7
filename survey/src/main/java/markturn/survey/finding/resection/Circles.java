package markturn.survey.finding.resection;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.result.Position;
import markturn.survey.result.Resected.Sighted;

/** The circle through three marks. Textbook. */
public final class Circles {
    private static final double NEAR = 0.1;

    private Circles() {}

    /** Northing, easting and radius of the circle through three marks, metres; infinite where they lie on one line. */
    public static double[] through(Sighted a, Sighted b, Sighted c) {
        return through(place(a), place(b), place(c));
    }

    private static Position place(Sighted mark) {
        return Position.held(new Mark.Coordinates(mark.northing(), mark.easting(), OptionalDouble.empty()));
    }

    /** The same through three places. */
    public static double[] through(Position a, Position b, Position c) {
        double bn = b.northing() - a.northing();
        double be = b.easting() - a.easting();
        double cn = c.northing() - a.northing();
        double ce = c.easting() - a.easting();
        double twice = 2 * (bn * ce - be * cn);
        double north = (ce * (bn * bn + be * be) - be * (cn * cn + ce * ce)) / twice;
        double east = (bn * (cn * cn + ce * ce) - cn * (bn * bn + be * be)) / twice;
        return new double[] {a.northing() + north, a.easting() + east, Math.hypot(north, east)};
    }

    /**
     * How near to it angles alone hardly place a station, metres: a tenth of the radius, or of the widest distance between the marks where
     * that is less, as marks nearly on a line have a circle as large as a county. Common practice, no source.
     */
    public static double near(double[] circle, List<Position> marks) {
        double widest = 0;
        for (Position one : marks) {
            for (Position other : marks) {
                widest = Math.max(widest, one.distanceTo(other));
            }
        }
        return NEAR * Math.min(circle[2], widest);
    }

    /** The same by sighted marks. */
    public static double nearSighted(double[] circle, List<Sighted> marks) {
        return near(circle, marks.stream().map(Circles::place).toList());
    }

    /** How far a place lies from the circle, metres; not a number where the circle is a line. */
    public static double off(double[] circle, double northing, double easting) {
        return Math.abs(Math.hypot(northing - circle[0], easting - circle[1]) - circle[2]);
    }
}
