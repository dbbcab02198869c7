package markturn.survey.plan;

import markturn.survey.adjust.Observed;

/**
 * What observations say of some unknowns: the matrix of their normal equations. Informations of the same unknowns add up, so that a plan
 * is the sum of its setups.
 */
final class Information {
    private final int size;
    private final double[] matrix;

    Information(int size) {
        this.size = size;
        this.matrix = new double[size * size];
    }

    /** Next to nothing of any unknown: what is not observed is anywhere within that, metres. */
    static Information loose(int size, double stdDev) {
        Information loose = new Information(size);
        for (int i = 0; i < size; i++) {
            loose.matrix[i * size + i] = 1 / (stdDev * stdDev);
        }
        return loose;
    }

    /** Takes in what was observed at some values of the unknowns. */
    void observe(Observed observed, double[] unknowns) {
        int[] at = new int[8];
        double[] by = new double[8];
        int[] count = new int[1];
        observed.partials(unknowns, (unknown, derivative) -> {
            at[count[0]] = unknown;
            by[count[0]++] = derivative;
        });
        double weight = 1 / (observed.stdDev() * observed.stdDev());
        for (int i = 0; i < count[0]; i++) {
            for (int j = 0; j < count[0]; j++) {
                matrix[at[i] * size + at[j]] += weight * by[i] * by[j];
            }
        }
    }

    /** What is said of the first unknowns where nobody asks for the others: these are eliminated, the last first. */
    Information ofFirst(int some) {
        double[] left = matrix.clone();
        for (int k = size - 1; k >= some; k--) {
            double pivot = left[k * size + k];
            if (pivot <= 0) {
                continue;
            }
            for (int i = 0; i < k; i++) {
                double share = left[i * size + k] / pivot;
                for (int j = 0; share != 0 && j < k; j++) {
                    left[i * size + j] -= share * left[k * size + j];
                }
            }
        }
        Information first = new Information(some);
        for (int i = 0; i < some; i++) {
            System.arraycopy(left, i * size, first.matrix, i * some, some);
        }
        return first;
    }

    /** Adds what is said of some of these unknowns. */
    void add(Information part, int[] unknowns) {
        for (int i = 0; i < part.size; i++) {
            for (int j = 0; j < part.size; j++) {
                matrix[unknowns[i] * size + unknowns[j]] += part.matrix[i * part.size + j];
            }
        }
    }

    /**
     * The covariance of the unknowns: the inverse, by Cholesky's factor.
     *
     * @return row by row
     */
    double[] covariance() {
        double[] factor = new double[size * size];
        for (int i = 0; i < size; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = matrix[i * size + j];
                for (int k = 0; k < j; k++) {
                    sum -= factor[i * size + k] * factor[j * size + k];
                }
                factor[i * size + j] =
                        i == j ? Math.sqrt(Math.max(sum, Double.MIN_NORMAL)) : sum / factor[j * size + j];
            }
        }
        double[] root = new double[size * size];
        for (int column = 0; column < size; column++) {
            for (int i = column; i < size; i++) {
                double sum = i == column ? 1 : 0;
                for (int k = column; k < i; k++) {
                    sum -= factor[i * size + k] * root[k * size + column];
                }
                root[i * size + column] = sum / factor[i * size + i];
            }
        }
        double[] covariance = new double[size * size];
        for (int k = 0; k < size; k++) {
            for (int i = 0; i <= k; i++) {
                double left = root[k * size + i];
                for (int j = 0; left != 0 && j <= k; j++) {
                    covariance[i * size + j] += left * root[k * size + j];
                }
            }
        }
        return covariance;
    }
}
