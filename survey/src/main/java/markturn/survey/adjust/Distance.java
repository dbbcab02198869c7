package markturn.survey.adjust;

/**
 * A grid distance. Where the scale is free, the distance from coordinates is {@code s} times the measured one.
 *
 * @param scale number of the unknown {@code s}, or {@link Place#HELD}: 1
 * @param value metres
 */
public record Distance(Place from, Place to, int scale, double value, double stdDev) implements Observed {
    private double factor(double[] unknowns) {
        return scale == Place.HELD ? 1 : unknowns[scale];
    }

    @Override
    public double theoretical(double[] unknowns) {
        return Line.between(from, to, unknowns).length() / factor(unknowns);
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        Line line = Line.between(from, to, unknowns);
        double s = factor(unknowns);
        Line.bothEnds(from, to, line.north() / line.length() / s, line.east() / line.length() / s, partial);
        if (scale != Place.HELD) {
            partial.by(scale, -line.length() / (s * s));
        }
    }
}
