package markturn.survey.station;

/** Symmetric matrices of one or two rows. Textbook formulas. */
final class Symmetric {
    private Symmetric() {}

    /** The smaller eigenvalue of two rows, or the only element of one. */
    static double smallest(double[][] m) {
        if (m.length == 1) {
            return m[0][0];
        }
        double mean = (m[0][0] + m[1][1]) / 2;
        return mean - Math.hypot((m[0][0] - m[1][1]) / 2, m[0][1]);
    }

    /** The solution of {@code m x = right}; m not singular. */
    static double[] solve(double[][] m, double[] right) {
        if (m.length == 1) {
            return new double[] {right[0] / m[0][0]};
        }
        double determinant = m[0][0] * m[1][1] - m[0][1] * m[1][0];
        return new double[] {
            (right[0] * m[1][1] - right[1] * m[0][1]) / determinant,
            (right[1] * m[0][0] - right[0] * m[1][0]) / determinant
        };
    }

    /** The largest value that {@code xᵀ a x} takes where {@code xᵀ b x} is 1: the larger generalised eigenvalue; b positive definite. */
    static double largestRatio(double[][] a, double[][] b) {
        double determinant = b[0][0] * b[1][1] - b[0][1] * b[0][1];
        double trace = (a[0][0] * b[1][1] + a[1][1] * b[0][0] - 2 * a[0][1] * b[0][1]) / determinant;
        double product = (a[0][0] * a[1][1] - a[0][1] * a[0][1]) / determinant;
        return trace / 2 + Math.sqrt(Math.max(0, trace * trace / 4 - product));
    }
}
