package markturn.survey.adjust;

/** Dense arithmetic on one vector, or on two in one go, with matrices of which each row is an array of its own. */
final class DenseVectors {
    private static final int FOUR = 4;

    private DenseVectors() {}

    /**
     * Solves with the transpose of an upper triangle, for one right side, and takes from what is behind it what that makes of it.
     *
     * @param right as long as the factor's rows; behind the pivots stands what is left
     * @return the sum of the squares of the solution
     */
    static double forward(double[][] factor, double[] right) {
        int pivots = factor.length;
        int end = right.length;
        double sum = 0;
        int i = 0;
        for (; i + FOUR <= pivots; i += FOUR) {
            double[] first = factor[i];
            double[] second = factor[i + 1];
            double[] third = factor[i + 2];
            double[] fourth = factor[i + 3];
            double a = right[i] / first[i];
            double b = (right[i + 1] - a * first[i + 1]) / second[i + 1];
            double c = (right[i + 2] - a * first[i + 2] - b * second[i + 2]) / third[i + 2];
            double d = (right[i + 3] - a * first[i + 3] - b * second[i + 3] - c * third[i + 3]) / fourth[i + 3];
            sum += a * a + b * b + c * c + d * d;
            DenseRows.takeFour(right, first, second, third, fourth, a, b, c, d, i + FOUR, end);
        }
        for (; i < pivots; i++) {
            double a = right[i] / factor[i][i];
            sum += a * a;
            DenseRows.takeOne(right, factor[i], a, i + 1, end);
        }
        return sum;
    }

    /**
     * The sum of some rows, each times a factor: one row at least.
     *
     * @param factors for one sum or for two, which are then made in one go
     */
    static double[][] sums(double[][] rows, double[][] factors) {
        double[][] sums = new double[factors.length][rows[0].length];
        int width = rows[0].length;
        int k = 0;
        for (; k + FOUR <= rows.length; k += FOUR) {
            double[] f = factors[0];
            double[] g = factors[factors.length - 1];
            if (factors.length == 2) {
                giveFour(
                        sums[0],
                        sums[1],
                        rows[k],
                        rows[k + 1],
                        rows[k + 2],
                        rows[k + 3],
                        f[k],
                        f[k + 1],
                        f[k + 2],
                        f[k + 3],
                        g[k],
                        g[k + 1],
                        g[k + 2],
                        g[k + 3],
                        width);
            } else {
                DenseRows.takeFour(
                        sums[0],
                        rows[k],
                        rows[k + 1],
                        rows[k + 2],
                        rows[k + 3],
                        -f[k],
                        -f[k + 1],
                        -f[k + 2],
                        -f[k + 3],
                        0,
                        width);
            }
        }
        for (; k < rows.length; k++) {
            for (int sum = 0; sum < sums.length; sum++) {
                DenseRows.takeOne(sums[sum], rows[k], -factors[sum][k], 0, width);
            }
        }
        return sums;
    }

    /**
     * A matrix times one vector or two: four rows with both in one go, so that little is read for much arithmetic. Faster by a half than
     * {@link #sums} of the transpose where rows are short (measured).
     *
     * @param to stands for each vector where its product goes: as many elements as the matrix has rows, or more
     */
    static void times(double[][] matrix, double[][] vectors, double[][] to) {
        double[] one = vectors[0];
        double[] other = vectors[vectors.length - 1];
        double[] ofOne = to[0];
        double[] ofOther = to[vectors.length - 1];
        int length = one.length;
        int row = 0;
        for (; row + FOUR <= matrix.length; row += FOUR) {
            double[] p = matrix[row];
            double[] q = matrix[row + 1];
            double[] r = matrix[row + 2];
            double[] s = matrix[row + 3];
            double pa = 0;
            double qa = 0;
            double ra = 0;
            double sa = 0;
            double pb = 0;
            double qb = 0;
            double rb = 0;
            double sb = 0;
            for (int k = 0; k < length; k++) {
                double a = one[k];
                double b = other[k];
                pa += p[k] * a;
                qa += q[k] * a;
                ra += r[k] * a;
                sa += s[k] * a;
                pb += p[k] * b;
                qb += q[k] * b;
                rb += r[k] * b;
                sb += s[k] * b;
            }
            ofOne[row] = pa;
            ofOne[row + 1] = qa;
            ofOne[row + 2] = ra;
            ofOne[row + 3] = sa;
            ofOther[row] = pb;
            ofOther[row + 1] = qb;
            ofOther[row + 2] = rb;
            ofOther[row + 3] = sb;
        }
        for (; row < matrix.length; row++) {
            double[] p = matrix[row];
            double pa = 0;
            double pb = 0;
            for (int k = 0; k < length; k++) {
                pa += p[k] * one[k];
                pb += p[k] * other[k];
            }
            ofOne[row] = pa;
            ofOther[row] = pb;
        }
    }

    private static void giveFour(
            double[] one,
            double[] other,
            double[] p0,
            double[] p1,
            double[] p2,
            double[] p3,
            double f0,
            double f1,
            double f2,
            double f3,
            double g0,
            double g1,
            double g2,
            double g3,
            int end) {
        for (int c = 0; c < end; c++) {
            double a = p0[c];
            double b = p1[c];
            double d = p2[c];
            double e = p3[c];
            one[c] += f0 * a + f1 * b + f2 * d + f3 * e;
            other[c] += g0 * a + g1 * b + g2 * d + g3 * e;
        }
    }
}
