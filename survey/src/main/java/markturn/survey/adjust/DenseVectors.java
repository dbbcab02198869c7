package markturn.survey.adjust;

/** Dense arithmetic on one vector, or on two in one go, with matrices of which each row is an array of its own. */
final class DenseVectors {
    private static final int FOUR = 4;

    private DenseVectors() {}

    /**
     * Solves with the transpose of an upper triangle, for one right side, and takes from what is behind it what that makes of it.
     *
     * @param right as long as the factor's rows; in the place of the pivots stands the solution then, behind them what is left
     */
    static void forward(double[][] factor, double[] right) {
        int pivots = factor.length;
        int end = right.length;
        int i = 0;
        // A fault here and there begins with nothing.
        while (i < pivots && right[i] == 0) {
            i++;
        }
        for (; i + FOUR <= pivots; i += FOUR) {
            double[] first = factor[i];
            double[] second = factor[i + 1];
            double[] third = factor[i + 2];
            double[] fourth = factor[i + 3];
            double a = right[i] / first[i];
            double b = (right[i + 1] - a * first[i + 1]) / second[i + 1];
            double c = (right[i + 2] - a * first[i + 2] - b * second[i + 2]) / third[i + 2];
            double d = (right[i + 3] - a * first[i + 3] - b * second[i + 3] - c * third[i + 3]) / fourth[i + 3];
            right[i] = a;
            right[i + 1] = b;
            right[i + 2] = c;
            right[i + 3] = d;
            DenseRows.takeFour(right, first, second, third, fourth, a, b, c, d, i + FOUR, end);
        }
        for (; i < pivots; i++) {
            double a = right[i] / factor[i][i];
            right[i] = a;
            DenseRows.takeOne(right, factor[i], a, i + 1, end);
        }
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

    /** The product of the beginnings of two vectors: four sums, because one would wait for itself. */
    static double product(double[] one, double[] other, int end) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = 0;
        for (; i + FOUR <= end; i += FOUR) {
            a += one[i] * other[i];
            b += one[i + 1] * other[i + 1];
            c += one[i + 2] * other[i + 2];
            d += one[i + 3] * other[i + 3];
        }
        for (; i < end; i++) {
            a += one[i] * other[i];
        }
        return a + b + c + d;
    }

    /**
     * The products of the beginnings of vectors, each with each, in one go.
     *
     * @param ones one or two
     * @param others one or two
     * @return by the number of one, then of the other: two by two, where a single vector counts twice
     */
    static double[][] products(double[][] ones, double[][] others, int end) {
        double[] a = ones[0];
        double[] b = ones[ones.length - 1];
        double[] x = others[0];
        double[] y = others[others.length - 1];
        double ax = 0;
        double ay = 0;
        double bx = 0;
        double by = 0;
        double oddAx = 0;
        double oddAy = 0;
        double oddBx = 0;
        double oddBy = 0;
        int i = 0;
        for (; i + 1 < end; i += 2) {
            ax += a[i] * x[i];
            ay += a[i] * y[i];
            bx += b[i] * x[i];
            by += b[i] * y[i];
            oddAx += a[i + 1] * x[i + 1];
            oddAy += a[i + 1] * y[i + 1];
            oddBx += b[i + 1] * x[i + 1];
            oddBy += b[i + 1] * y[i + 1];
        }
        if (i < end) {
            ax += a[i] * x[i];
            ay += a[i] * y[i];
            bx += b[i] * x[i];
            by += b[i] * y[i];
        }
        return new double[][] {{ax + oddAx, ay + oddAy}, {bx + oddBx, by + oddBy}};
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
