package markturn.survey.adjust;

/**
 * A difference of two coordinates, each unknown or held: of two elevations, or between an instrument and the mark it stands over.
 *
 * @param from number of the unknown that is taken away, or {@link Place#HELD}
 * @param to number of the unknown it is taken from, or {@link Place#HELD}
 * @param heldFrom metres, where held
 * @param heldTo metres, where held
 * @param value metres
 */
public record Difference(int from, int to, double heldFrom, double heldTo, double value, double stdDev)
        implements Observed {
    @Override
    public double theoretical(double[] unknowns) {
        return (to == Place.HELD ? heldTo : unknowns[to]) - (from == Place.HELD ? heldFrom : unknowns[from]);
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        if (to != Place.HELD) {
            partial.by(to, 1);
        }
        if (from != Place.HELD) {
            partial.by(from, -1);
        }
    }
}
