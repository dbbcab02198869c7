package markturn.survey.adjust;

/**
 * A coordinate that is known with a standard deviation: control that is observed rather than held, or a satellite fix.
 *
 * @param unknown its number
 * @param value metres
 */
public record Coordinate(int unknown, double value, double stdDev) implements Observed {
    @Override
    public double theoretical(double[] unknowns) {
        return unknowns[unknown];
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        partial.by(unknown, 1);
    }
}
