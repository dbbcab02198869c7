package markturn.survey.adjust;

/**
 * An observation that takes a share of an unknown fault.
 *
 * @param fault number of the unknown
 * @param share how much of it the observation takes
 */
public record Biased(Observed of, int fault, double share) implements Observed {
    @Override
    public double value() {
        return of.value();
    }

    @Override
    public double stdDev() {
        return of.stdDev();
    }

    @Override
    public double theoretical(double[] unknowns) {
        return of.theoretical(unknowns) + share * unknowns[fault];
    }

    @Override
    public double misclosure(double[] unknowns) {
        return of.misclosure(unknowns) - share * unknowns[fault];
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        of.partials(unknowns, partial);
        partial.by(fault, share);
    }
}
