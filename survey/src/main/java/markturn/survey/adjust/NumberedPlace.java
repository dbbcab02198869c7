package markturn.survey.adjust;

/**
 * A place in the plan: unknown, or held.
 *
 * @param north number of its unknown northing, or {@link #HELD}
 * @param east number of its unknown easting, or {@link #HELD}
 * @param northing where it is held, metres
 * @param easting where it is held, metres
 */
public record NumberedPlace(int north, int east, double northing, double easting) {
    public static final int HELD = -1;

    /** A place that is to be found. */
    public static NumberedPlace unknown(int north, int east) {
        return new NumberedPlace(north, east, 0, 0);
    }

    /** A place that does not move. */
    public static NumberedPlace held(double northing, double easting) {
        return new NumberedPlace(HELD, HELD, northing, easting);
    }

    double northing(double[] unknowns) {
        return north == HELD ? northing : unknowns[north];
    }

    double easting(double[] unknowns) {
        return east == HELD ? easting : unknowns[east];
    }
}
