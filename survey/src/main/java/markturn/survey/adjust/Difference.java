package markturn.survey.adjust;

/**
 * A difference of two coordinates, each unknown or held: of two elevations, or between an instrument and the mark it stands over.
 *
 * @param from number of the unknown that is taken away, or {@link NumberedPlace#HELD}
 * @param to number of the unknown it is taken from, or {@link NumberedPlace#HELD}
 * @param heldFrom metres, where held
 * @param heldTo metres, where held
 * @param value metres
 */
public record Difference(int from, int to, double heldFrom, double heldTo, double value, double stdDev)
        implements Observed {
    @Override
    public double theoretical(double[] unknowns) {
        return (to == NumberedPlace.HELD ? heldTo : unknowns[to])
                - (from == NumberedPlace.HELD ? heldFrom : unknowns[from]);
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        if (to != NumberedPlace.HELD) {
            partial.by(to, 1);
        }
        if (from != NumberedPlace.HELD) {
            partial.by(from, -1);
        }
    }
}
