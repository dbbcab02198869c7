package markturn.survey.adjust;

/**
 * A grid distance. Where the scale is free, the distance from coordinates is {@code s} times the measured one; where a constant is free, it
 * is the measured one and that constant.
 *
 * @param scale number of the unknown {@code s}, or {@link NumberedPlace#HELD}: 1
 * @param constant number of the unknown constant, or {@link NumberedPlace#HELD}: 0
 * @param value metres
 */
public record Distance(NumberedPlace from, NumberedPlace to, int scale, int constant, double value, double stdDev)
        implements BetweenPlaces {
    /** With neither of them free. */
    public Distance(NumberedPlace from, NumberedPlace to, double value, double stdDev) {
        this(from, to, NumberedPlace.HELD, NumberedPlace.HELD, value, stdDev);
    }

    private double factor(double[] unknowns) {
        return scale == NumberedPlace.HELD ? 1 : unknowns[scale];
    }

    @Override
    public double theoretical(double[] unknowns) {
        double added = constant == NumberedPlace.HELD ? 0 : unknowns[constant];
        return PlaneVector.between(from, to, unknowns).length() / factor(unknowns) - added;
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        PlaneVector line = PlaneVector.between(from, to, unknowns);
        double s = factor(unknowns);
        PlaneVector.bothEnds(from, to, line.north() / line.length() / s, line.east() / line.length() / s, partial);
        if (scale != NumberedPlace.HELD) {
            partial.by(scale, -line.length() / (s * s));
        }
        if (constant != NumberedPlace.HELD) {
            partial.by(constant, -1);
        }
    }

    @Override
    public double[] byFarEnd(double north, double east) {
        double length = Math.hypot(north, east);
        return new double[] {north / length, east / length};
    }
}
