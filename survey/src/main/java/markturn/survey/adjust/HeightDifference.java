package markturn.survey.adjust;

/**
 * A height difference between two elevations, each unknown or held.
 *
 * @param from number of the unknown elevation at the instrument, or {@link Place#HELD}
 * @param to number of the unknown elevation at the target, or {@link Place#HELD}
 * @param heldFrom metres, where held
 * @param heldTo metres, where held
 * @param value metres, target above instrument
 */
public record HeightDifference(int from, int to, double heldFrom, double heldTo, double value, double stdDev)
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
