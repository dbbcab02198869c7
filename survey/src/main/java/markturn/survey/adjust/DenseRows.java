package markturn.survey.adjust;

/**
 * Dense arithmetic on rows that lie one after the other in an array. All of it takes multiples of whole rows from a row, several at once:
 * that is what a processor does fastest with numbers that lie side by side.
 */
final class DenseRows {
    /** A pivot below this leaves its unknown undetermined, of equations with a unit diagonal: half the digits of a double are gone. */
    private static final double SINGULAR = 1e-13;

    private static final int AT_ONCE = 8;

    private DenseRows() {}

    /**
     * Cholesky's elimination of the first unknowns of a symmetric matrix, of which the upper triangle is used: in the place of their rows
     * stands the factor, in the place of the others what is left of the equations.
     *
     * @param size rows and columns
     * @throws RankDefect where a pivot is as good as nothing
     */
    static void eliminate(double[] matrix, int size, int pivots) throws RankDefect {
        double[] factors = new double[AT_ONCE];
        for (int from = 0; from < pivots; from += AT_ONCE) {
            int to = Math.min(from + AT_ONCE, pivots);
            for (int row = from; row < to; row++) {
                for (int above = from; above < row; above++) {
                    double factor = matrix[above * size + row];
                    takeOne(matrix, row * size, matrix, above * size, factor, row, size);
                }
                double pivot = matrix[row * size + row];
                if (!(pivot > SINGULAR)) {
                    throw new RankDefect("the unknowns are not determined");
                }
                double scale = 1 / Math.sqrt(pivot);
                for (int column = row; column < size; column++) {
                    matrix[row * size + column] *= scale;
                }
            }
            for (int row = to; row < size; row++) {
                for (int above = from; above < to; above++) {
                    factors[above - from] = matrix[above * size + row];
                }
                take(matrix, row * size, matrix, from * size, size, factors, to - from, row, size);
            }
        }
    }

    /**
     * Solves with an upper triangle, for many right sides at once.
     *
     * @param triangle its rows, each as long as {@code size}
     * @param right the right sides, a row for each row of the triangle; the solutions stand in their place
     */
    static void backward(double[] triangle, int size, int rows, double[] right, int width) {
        double[] factors = new double[AT_ONCE];
        for (int row = rows - 1; row >= 0; row--) {
            for (int from = row + 1; from < rows; from += AT_ONCE) {
                int count = Math.min(AT_ONCE, rows - from);
                System.arraycopy(triangle, row * size + from, factors, 0, count);
                take(right, row * width, right, from * width, width, factors, count, 0, width);
            }
            double scale = 1 / triangle[row * size + row];
            for (int column = 0; column < width; column++) {
                right[row * width + column] *= scale;
            }
        }
    }

    /**
     * Takes a product from a matrix: {@code to −= left · right}.
     *
     * @param leftWidth how long a row of {@code left} is; the first {@code inner} of it take part
     */
    static void takeProduct(
            double[] to, int toWidth, double[] left, int leftWidth, double[] right, int rows, int inner, int columns) {
        double[] factors = new double[AT_ONCE];
        for (int tile = 0; tile < inner; tile += TILE) {
            int tileEnd = Math.min(tile + TILE, inner);
            for (int row = 0; row < rows; row++) {
                for (int from = tile; from < tileEnd; from += AT_ONCE) {
                    int count = Math.min(AT_ONCE, tileEnd - from);
                    System.arraycopy(left, row * leftWidth + from, factors, 0, count);
                    take(to, row * toWidth, right, from * columns, columns, factors, count, 0, columns);
                }
            }
        }
    }

    /** So many rows are used again and again before the next ones: they stay at hand. */
    private static final int TILE = 64;

    private static void take(
            double[] to, int at, double[] rows, int first, int width, double[] factors, int count, int begin, int end) {
        if (count < AT_ONCE) {
            for (int i = 0; i < count; i++) {
                takeOne(to, at, rows, first + i * width, factors[i], begin, end);
            }
            return;
        }
        double f0 = factors[0];
        double f1 = factors[1];
        double f2 = factors[2];
        double f3 = factors[3];
        double f4 = factors[4];
        double f5 = factors[5];
        double f6 = factors[6];
        double f7 = factors[7];
        int r1 = first + width;
        int r2 = r1 + width;
        int r3 = r2 + width;
        int r4 = r3 + width;
        int r5 = r4 + width;
        int r6 = r5 + width;
        int r7 = r6 + width;
        for (int c = begin; c < end; c++) {
            to[at + c] -= f0 * rows[first + c]
                    + f1 * rows[r1 + c]
                    + f2 * rows[r2 + c]
                    + f3 * rows[r3 + c]
                    + f4 * rows[r4 + c]
                    + f5 * rows[r5 + c]
                    + f6 * rows[r6 + c]
                    + f7 * rows[r7 + c];
        }
    }

    private static void takeOne(double[] to, int at, double[] rows, int row, double factor, int begin, int end) {
        for (int c = begin; c < end; c++) {
            to[at + c] -= factor * rows[row + c];
        }
    }
}
