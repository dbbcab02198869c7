package markturn.survey.adjust;

/**
 * A grid distance. Where the scale is free, the distance from coordinates is {@code s} times the measured one; where a constant is free, it
 * is the measured one and that constant.
 *
 * @param scale number of the unknown {@code s}, or {@link Place#HELD}: 1
 * @param constant number of the unknown constant, or {@link Place#HELD}: 0
 * @param value metres
 */
public record Distance(Place from, Place to, int scale, int constant, double value, double stdDev)
        implements BetweenPlaces {
    /** With neither of them free. */
    public Distance(Place from, Place to, double value, double stdDev) {
        this(from, to, Place.HELD, Place.HELD, value, stdDev);
    }

    private double factor(double[] unknowns) {
        return scale == Place.HELD ? 1 : unknowns[scale];
    }

    @Override
    public double theoretical(double[] unknowns) {
        double added = constant == Place.HELD ? 0 : unknowns[constant];
        return Line.between(from, to, unknowns).length() / factor(unknowns) - added;
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        Line line = Line.between(from, to, unknowns);
        double s = factor(unknowns);
        Line.bothEnds(from, to, line.north() / line.length() / s, line.east() / line.length() / s, partial);
        if (scale != Place.HELD) {
            partial.by(scale, -line.length() / (s * s));
        }
        if (constant != Place.HELD) {
            partial.by(constant, -1);
        }
    }

    @Override
    public double[] byFarEnd(double north, double east) {
        double length = Math.hypot(north, east);
        return new double[] {north / length, east / length};
    }
}
