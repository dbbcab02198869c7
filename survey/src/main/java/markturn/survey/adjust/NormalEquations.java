package markturn.survey.adjust;

/** The normal equations of one step: filled observation by observation, then solved. */
public interface NormalEquations {
    /** Takes in one observation's row: unknowns, partial derivatives, weight, misclosure. */
    void add(int[] unknowns, double[] partials, int count, double weight, double misclosure);

    /**
     * Solves them.
     *
     * @return the correction of each unknown
     * @throws RankDefect where some combination of unknowns is not determined
     */
    double[] solve() throws RankDefect;

    /** The inverse's element, after {@link #solve()}: the cofactor of two unknowns. */
    double cofactor(int row, int column);

    /** Whether two unknowns stand together in the equations as they were solved, so that their cofactor is at hand. */
    default boolean meet(int row, int column) {
        return true;
    }

    /** The inverse times a vector, after {@link #solve()}. */
    double[] inverseTimes(double[] vector);

    /** The inverse times several vectors, one answer for each; where many are asked, asking together costs less. */
    default double[][] inverseTimesEach(double[][] vectors) {
        double[][] answers = new double[vectors.length][];
        for (int i = 0; i < vectors.length; i++) {
            answers[i] = inverseTimes(vectors[i]);
        }
        return answers;
    }
}
