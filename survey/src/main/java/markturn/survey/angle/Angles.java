package markturn.survey.angle;

import java.util.List;

/** Arithmetic on the circle. Angles are radians, clockwise; a full turn is 2 pi. */
public final class Angles {
    /** One full turn, in radians. */
    public static final double TURN = 2 * Math.PI;

    /** One arc-second, in radians. */
    public static final double SECOND = Math.PI / 648000;

    /** One milligon, in radians. */
    public static final double MILLIGON = Math.PI / 200000;

    private Angles() {}

    /** The same direction in [0, 2 pi). */
    public static double onCircle(double radians) {
        double turned = radians % TURN;
        if (turned < 0) {
            turned += TURN;
        }
        return turned >= TURN ? 0 : turned;
    }

    /** The same turn in (-pi, pi], the short way round. */
    public static double shortWay(double radians) {
        double turned = onCircle(radians);
        return turned > Math.PI ? turned - TURN : turned;
    }

    /**
     * The mean direction of readings that lie close together, taken on the circle: 359-59-58 and 0-00-04 mean 0-00-01.
     *
     * @param directions radians, at least one, all within half a turn of the first
     * @return radians in [0, 2 pi)
     */
    public static double mean(List<Double> directions) {
        double first = directions.get(0);
        double sum = 0;
        for (double direction : directions) {
            sum += shortWay(direction - first);
        }
        return onCircle(first + sum / directions.size());
    }
}
