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

    /** Whether some unknowns all stand together, as those that one observation reaches always do. */
    default boolean standTogether(int[] unknowns) {
        return true;
    }

    /** The inverse times a vector, after {@link #solve()}. */
    double[] inverseTimes(double[] vector);

    /**
     * The inverse times several vectors of which each has few elements; where many are asked, asking together costs less.
     *
     * @param unknowns of each vector the unknowns that it has
     * @param values what it has there
     * @param size how many unknowns there are
     * @return for each unknown a row of the answers, of one vector after the other
     */
    default double[][] inverseTimesEach(int[][] unknowns, double[][] values, int size) {
        int many = unknowns.length;
        double[][] answers = new double[size][many];
        for (int k = 0; k < many; k++) {
            double[] vector = new double[size];
            for (int i = 0; i < unknowns[k].length; i++) {
                vector[unknowns[k][i]] = values[k][i];
            }
            double[] answer = inverseTimes(vector);
            for (int unknown = 0; unknown < size; unknown++) {
                answers[unknown][k] = answer[unknown];
            }
        }
        return answers;
    }
}
