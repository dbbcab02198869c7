package markturn.survey.adjust;

/** The non-zero partial derivatives of one observation; used again for the next. */
final class RowOfPartials implements Observed.Partial {
    private static final int MOST = 8;

    private final int[] unknowns = new int[MOST];
    private final double[] partials = new double[MOST];
    private int count;

    void of(Observed observed, double[] values) {
        count = 0;
        observed.partials(values, this);
    }

    @Override
    public void by(int unknown, double derivative) {
        unknowns[count] = unknown;
        partials[count++] = derivative;
    }

    int[] unknowns() {
        return unknowns;
    }

    double[] partials() {
        return partials;
    }

    int count() {
        return count;
    }
}
