package markturn.survey.adjust;

/**
 * A coordinate that is known with a standard deviation: control that is observed rather than held, or a satellite fix. A fix of a mark
 * that is held tests it and moves nothing.
 *
 * @param unknown its number, or {@link NumberedPlace#HELD}
 * @param held metres, where held
 * @param value metres
 */
public record Coordinate(int unknown, double held, double value, double stdDev) implements Observed {
    /** Of an unknown. */
    public Coordinate(int unknown, double value, double stdDev) {
        this(unknown, 0, value, stdDev);
    }

    @Override
    public double theoretical(double[] unknowns) {
        return unknown == NumberedPlace.HELD ? held : unknowns[unknown];
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        if (unknown != NumberedPlace.HELD) {
            partial.by(unknown, 1);
        }
    }
}
