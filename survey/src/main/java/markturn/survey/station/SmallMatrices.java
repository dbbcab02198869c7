package markturn.survey.station;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/** Arithmetic on a handful of rows. */
final class SmallMatrices {
    private SmallMatrices() {}

    /** The inverse of a symmetric positive definite matrix; scaled to a unit diagonal first, so that metres and radians count alike. */
    static double[][] inverse(double[][] matrix) {
        int n = matrix.length;
        DMatrixRMaj scaled = new DMatrixRMaj(n, n);
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                scaled.set(i, j, matrix[i][j] / Math.sqrt(matrix[i][i] * matrix[j][j]));
            }
        }
        CommonOps_DDRM.invert(scaled);
        double[][] inverse = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                inverse[i][j] = scaled.get(i, j) / Math.sqrt(matrix[i][i] * matrix[j][j]);
            }
        }
        return inverse;
    }

    static double[] times(double[][] matrix, double[] vector) {
        double[] product = new double[matrix.length];
        for (int i = 0; i < product.length; i++) {
            product[i] = dot(matrix[i], vector);
        }
        return product;
    }

    static double dot(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            sum += one[i] * other[i];
        }
        return sum;
    }
}
