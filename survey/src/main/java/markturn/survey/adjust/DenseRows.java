package markturn.survey.adjust;

import java.util.Arrays;

/**
 * Dense arithmetic on matrices of which each row is an array of its own. All of it takes multiples of rows from a row, four at once, by one
 * index: only so, and with no more than four (measured), does the compiler see that they do not overlap, and takes several numbers in one
 * step. A matrix that is large is gone through on all processors.
 */
final class DenseRows {
    /** A pivot below this leaves its unknown undetermined, of equations with a unit diagonal: half the digits of a double are gone. */
    private static final double SINGULAR = 1e-13;

    private static final int FOUR = 4;

    /** So many rows are taken from a row before the next row's turn: it is read from memory less often. */
    private static final int AT_ONCE = 8;

    /** So many multiplications are worth another processor. */
    private static final long LARGE = 400_000;

    private DenseRows() {}

    /**
     * Cholesky's elimination of the first unknowns of a symmetric matrix, of which the upper triangle is used. In the place of the pivots'
     * rows stand those of the factor, an upper triangle; behind them what is left of the equations.
     *
     * @param matrix as many rows as columns
     * @throws RankDefect where a pivot is as good as nothing
     */
    static void eliminate(double[][] matrix, int pivots) throws RankDefect {
        int size = matrix.length;
        for (int from = 0; from < pivots; from += AT_ONCE) {
            int end = Math.min(pivots, from + AT_ONCE);
            for (int i = from; i < end; i++) {
                double[] row = matrix[i];
                for (int above = from; above < i; above++) {
                    takeOne(row, matrix[above], matrix[above][i], i, size);
                }
                if (!(row[i] > SINGULAR)) {
                    throw new RankDefect("the unknowns are not determined");
                }
                times(row, 1 / Math.sqrt(row[i]), i, size);
            }
            int first = from;
            long work = (long) (size - end) * (size - end) * (end - from) / 2;
            AtOnce.each(end, size, work > LARGE, j -> takeColumn(matrix, first, end, j, matrix[j], j, size));
        }
    }

    /** Takes some rows from another, each times what it has in a column. */
    private static void takeColumn(
            double[][] rows, int first, int last, int column, double[] from, int begin, int end) {
        int i = first;
        for (; i + FOUR <= last; i += FOUR) {
            takeFour(
                    from,
                    rows[i],
                    rows[i + 1],
                    rows[i + 2],
                    rows[i + 3],
                    rows[i][column],
                    rows[i + 1][column],
                    rows[i + 2][column],
                    rows[i + 3][column],
                    begin,
                    end);
        }
        for (; i < last; i++) {
            takeOne(from, rows[i], rows[i][column], begin, end);
        }
    }

    /** Takes rows of {@code right} from a row, each times a factor: those of a stretch of {@code factors}. */
    private static void takeRow(double[] from, double[] factors, int first, double[][] right, int inner, int columns) {
        int k = 0;
        for (; k + FOUR <= inner; k += FOUR) {
            takeFour(
                    from,
                    right[k],
                    right[k + 1],
                    right[k + 2],
                    right[k + 3],
                    factors[first + k],
                    factors[first + k + 1],
                    factors[first + k + 2],
                    factors[first + k + 3],
                    0,
                    columns);
        }
        for (; k < inner; k++) {
            takeOne(from, right[k], factors[first + k], 0, columns);
        }
    }

    /**
     * Solves with an upper triangle, for many right sides at once.
     *
     * @param triangle its rows
     * @param right the right sides, a row for each row of the triangle; the solutions stand in their place
     */
    static void backward(double[][] triangle, int rows, double[][] right, int width) {
        for (int i = rows - 1; i >= 0; i--) {
            double[] factors = triangle[i];
            int k = i + 1;
            for (; k + FOUR <= rows; k += FOUR) {
                takeFour(
                        right[i],
                        right[k],
                        right[k + 1],
                        right[k + 2],
                        right[k + 3],
                        factors[k],
                        factors[k + 1],
                        factors[k + 2],
                        factors[k + 3],
                        0,
                        width);
            }
            for (; k < rows; k++) {
                takeOne(right[i], right[k], factors[k], 0, width);
            }
            times(right[i], 1 / factors[i], 0, width);
        }
    }

    /**
     * Solves with the transpose of an upper triangle, for many right sides at once, and takes from the rows behind it what that makes of
     * them.
     *
     * @param factor the triangle's rows; what lies behind the triangle acts on the rows behind
     * @param right the right sides, as many rows as the factor has columns; the solutions stand in the place of the first
     */
    static void forward(double[][] factor, double[][] right, int width) {
        int pivots = factor.length;
        for (int i = 0; i < right.length; i++) {
            int above = Math.min(i, pivots);
            int k = 0;
            for (; k + FOUR <= above; k += FOUR) {
                takeFour(
                        right[i],
                        right[k],
                        right[k + 1],
                        right[k + 2],
                        right[k + 3],
                        factor[k][i],
                        factor[k + 1][i],
                        factor[k + 2][i],
                        factor[k + 3][i],
                        0,
                        width);
            }
            for (; k < above; k++) {
                takeOne(right[i], right[k], factor[k][i], 0, width);
            }
            if (i < pivots) {
                times(right[i], 1 / factor[i][i], 0, width);
            }
        }
    }

    /**
     * Takes a product from a matrix: {@code to −= left · right}.
     *
     * @param leftFirst the first column of {@code left} that takes part; as many as {@code right} has rows
     */
    static void takeProduct(double[][] to, double[][] left, int leftFirst, double[][] right, int columns) {
        boolean large = (long) to.length * right.length * columns > LARGE;
        AtOnce.each(0, to.length, large, i -> takeRow(to[i], left[i], leftFirst, right, right.length, columns));
    }

    /** The transpose of some columns of a matrix, from one on. */
    static double[][] transposed(double[][] matrix, int first, int columns) {
        double[][] transposed = new double[columns][matrix.length];
        for (int i = 0; i < matrix.length; i++) {
            for (int j = 0; j < columns; j++) {
                transposed[j][i] = matrix[i][first + j];
            }
        }
        return transposed;
    }

    /** Some columns of a matrix, from one on. */
    static double[][] columns(double[][] matrix, int first, int columns) {
        return Arrays.stream(matrix)
                .map(row -> Arrays.copyOfRange(row, first, first + columns))
                .toArray(double[][]::new);
    }

    /** Some columns of a matrix. */
    static double[][] columns(double[][] matrix, int[] which) {
        double[][] columns = new double[matrix.length][which.length];
        for (int row = 0; row < matrix.length; row++) {
            for (int i = 0; i < which.length; i++) {
                columns[row][i] = matrix[row][which[i]];
            }
        }
        return columns;
    }

    static void takeFour(
            double[] to,
            double[] p0,
            double[] p1,
            double[] p2,
            double[] p3,
            double f0,
            double f1,
            double f2,
            double f3,
            int begin,
            int end) {
        for (int c = begin; c < end; c++) {
            to[c] -= f0 * p0[c] + f1 * p1[c] + f2 * p2[c] + f3 * p3[c];
        }
    }

    static void takeOne(double[] to, double[] row, double factor, int begin, int end) {
        for (int c = begin; c < end; c++) {
            to[c] -= factor * row[c];
        }
    }

    private static void times(double[] row, double factor, int begin, int end) {
        for (int c = begin; c < end; c++) {
            row[c] *= factor;
        }
    }
}
