package markturn.survey.adjust;

import java.util.Arrays;

/**
 * Dense arithmetic on rows that lie one after the other in an array. All of it takes multiples of rows from a row, four at once. The rows
 * that take part are laid into arrays of their own first, and all are gone through by one index from 0: only so, and with no more than four
 * (measured), does the compiler see that they do not overlap, and takes several numbers in one step.
 */
final class DenseRows {
    /** A pivot below this leaves its unknown undetermined, of equations with a unit diagonal: half the digits of a double are gone. */
    private static final double SINGULAR = 1e-13;

    private static final int AT_ONCE = 8;

    private DenseRows() {}

    /**
     * Cholesky's elimination of the first unknowns of a symmetric matrix, of which the lower triangle is used.
     *
     * @param matrix what is left of the equations stands in the rows behind the pivots
     * @param size rows and columns
     * @return the factor's rows, each as long as {@code size}: an upper triangle
     * @throws RankDefect where a pivot is as good as nothing
     */
    static double[] eliminate(double[] matrix, int size, int pivots) throws RankDefect {
        double[] factor = new double[pivots * size];
        double[][] panel = new double[AT_ONCE][size];
        double[] row = new double[size];
        double[] factors = new double[AT_ONCE];
        for (int from = 0; from < pivots; from += AT_ONCE) {
            int count = Math.min(AT_ONCE, pivots - from);
            int rest = size - from;
            for (int below = 0; below < rest; below++) {
                int at = (from + below) * size + from;
                for (int i = 0; i < Math.min(count, below + 1); i++) {
                    panel[i][below] = matrix[at + i];
                }
            }
            eliminatePanel(panel, count, rest);
            for (int i = 0; i < count; i++) {
                System.arraycopy(panel[i], i, factor, (from + i) * size + from + i, rest - i);
                // What follows begins at the first column behind the panel: a loop from 0 is what is fast.
                System.arraycopy(panel[i], count, panel[i], 0, rest - count);
            }
            blank(panel, count, rest - count);
            for (int below = 0; below < rest - count; below++) {
                for (int i = 0; i < AT_ONCE; i++) {
                    factors[i] = panel[i][below];
                }
                int at = (from + count + below) * size + from + count;
                System.arraycopy(matrix, at, row, 0, below + 1);
                take(row, panel, factors, below + 1);
                System.arraycopy(row, 0, matrix, at, below + 1);
            }
        }
        return factor;
    }

    private static void eliminatePanel(double[][] panel, int count, int width) throws RankDefect {
        for (int i = 0; i < count; i++) {
            for (int above = 0; above < i; above++) {
                takeOne(panel[i], panel[above], panel[above][i], i, width);
            }
            double pivot = panel[i][i];
            if (!(pivot > SINGULAR)) {
                throw new RankDefect("the unknowns are not determined");
            }
            times(panel[i], 1 / Math.sqrt(pivot), i, width);
        }
    }

    /**
     * Solves with an upper triangle, for many right sides at once.
     *
     * @param triangle its rows, each as long as {@code size}
     * @param right the right sides, a row for each row of the triangle; the solutions stand in their place
     */
    static void backward(double[] triangle, int size, int rows, double[] right, int width) {
        double[][] panel = new double[AT_ONCE][width];
        double[] row = new double[width];
        double[] factors = new double[AT_ONCE];
        for (int end = rows; end > 0; end -= AT_ONCE) {
            int from = Math.max(0, end - AT_ONCE);
            int count = end - from;
            for (int i = count - 1; i >= 0; i--) {
                System.arraycopy(right, (from + i) * width, panel[i], 0, width);
                for (int below = i + 1; below < count; below++) {
                    takeOne(panel[i], panel[below], triangle[(from + i) * size + from + below], 0, width);
                }
                times(panel[i], 1 / triangle[(from + i) * size + from + i], 0, width);
                System.arraycopy(panel[i], 0, right, (from + i) * width, width);
            }
            blank(panel, count, width);
            Arrays.fill(factors, 0);
            for (int above = 0; above < from; above++) {
                System.arraycopy(triangle, above * size + from, factors, 0, count);
                System.arraycopy(right, above * width, row, 0, width);
                take(row, panel, factors, width);
                System.arraycopy(row, 0, right, above * width, width);
            }
        }
    }

    /**
     * Solves with the transpose of an upper triangle, for many right sides at once, and takes from the rows behind it what that makes of
     * them.
     *
     * @param factor the triangle's rows, each as long as {@code size}; what lies behind the triangle acts on the rows behind
     * @param right the right sides, {@code size} rows; the solutions stand in the place of the first {@code pivots}
     */
    static void forward(double[] factor, int size, int pivots, double[] right, int width) {
        double[][] panel = new double[AT_ONCE][width];
        double[] row = new double[width];
        double[] factors = new double[AT_ONCE];
        for (int from = 0; from < pivots; from += AT_ONCE) {
            int count = Math.min(AT_ONCE, pivots - from);
            for (int i = 0; i < count; i++) {
                System.arraycopy(right, (from + i) * width, panel[i], 0, width);
                for (int above = 0; above < i; above++) {
                    takeOne(panel[i], panel[above], factor[(from + above) * size + from + i], 0, width);
                }
                times(panel[i], 1 / factor[(from + i) * size + from + i], 0, width);
                System.arraycopy(panel[i], 0, right, (from + i) * width, width);
            }
            blank(panel, count, width);
            Arrays.fill(factors, 0);
            for (int below = from + count; below < size; below++) {
                for (int i = 0; i < count; i++) {
                    factors[i] = factor[(from + i) * size + below];
                }
                System.arraycopy(right, below * width, row, 0, width);
                take(row, panel, factors, width);
                System.arraycopy(row, 0, right, below * width, width);
            }
        }
    }

    /**
     * Takes a product from a matrix: {@code to −= left · right}.
     *
     * @param leftWidth how long a row of {@code left} is; of it {@code inner} take part, from {@code leftFirst} on
     */
    static void takeProduct(
            double[] to,
            int toWidth,
            double[] left,
            int leftWidth,
            int leftFirst,
            double[] right,
            int rows,
            int inner,
            int columns) {
        double[][] panel = new double[AT_ONCE][columns];
        double[] row = new double[columns];
        double[] factors = new double[AT_ONCE];
        for (int from = 0; from < inner; from += AT_ONCE) {
            int count = Math.min(AT_ONCE, inner - from);
            for (int i = 0; i < count; i++) {
                System.arraycopy(right, (from + i) * columns, panel[i], 0, columns);
            }
            blank(panel, count, columns);
            Arrays.fill(factors, 0);
            for (int at = 0; at < rows; at++) {
                System.arraycopy(left, at * leftWidth + leftFirst + from, factors, 0, count);
                System.arraycopy(to, at * toWidth, row, 0, columns);
                take(row, panel, factors, columns);
                System.arraycopy(row, 0, to, at * toWidth, columns);
            }
        }
    }

    /** The rows of a panel that is not full take nothing. */
    private static void blank(double[][] panel, int count, int width) {
        for (int i = count; i < AT_ONCE; i++) {
            Arrays.fill(panel[i], 0, width, 0);
        }
    }

    private static void take(double[] to, double[][] panel, double[] factors, int end) {
        takeFour(to, panel[0], panel[1], panel[2], panel[3], factors[0], factors[1], factors[2], factors[3], end);
        takeFour(to, panel[4], panel[5], panel[6], panel[7], factors[4], factors[5], factors[6], factors[7], end);
    }

    private static void takeFour(
            double[] to,
            double[] p0,
            double[] p1,
            double[] p2,
            double[] p3,
            double f0,
            double f1,
            double f2,
            double f3,
            int end) {
        for (int c = 0; c < end; c++) {
            to[c] -= f0 * p0[c] + f1 * p1[c] + f2 * p2[c] + f3 * p3[c];
        }
    }

    private static void takeOne(double[] to, double[] row, double factor, int begin, int end) {
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
