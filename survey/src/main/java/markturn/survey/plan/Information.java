package markturn.survey.plan;

import markturn.survey.adjust.Observed;
import markturn.survey.result.Covariance;

/**
 * What observations say of some unknowns: the matrix of their normal equations. Informations of the same unknowns add up, so that a plan
 * is the sum of its setups.
 */
final class Information implements Observed.Partial {
    /** An observation between two places with its orientation and scale hangs on no more unknowns. */
    private static final int MOST = 8;

    /** Rounding may leave less than nothing of a pivot. */
    private static final double SMALLEST = 1e-300;

    private final int size;
    private final double[] matrix;

    /** The row in hand. */
    private final int[] at = new int[MOST];

    private final double[] by = new double[MOST];
    private int count;

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
        count = 0;
        observed.partials(unknowns, this);
        double weight = 1 / (observed.stdDev() * observed.stdDev());
        for (int i = 0; i < count; i++) {
            for (int j = 0; j < count; j++) {
                matrix[at[i] * size + at[j]] += weight * by[i] * by[j];
            }
        }
    }

    @Override
    public void by(int unknown, double derivative) {
        at[count] = unknown;
        by[count++] = derivative;
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

    /** The covariances of the unknowns. */
    Covariances covariances() {
        double[] factor = new double[size * size];
        for (int i = 0; i < size; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = matrix[i * size + j];
                for (int k = 0; k < j; k++) {
                    sum -= factor[i * size + k] * factor[j * size + k];
                }
                factor[i * size + j] = i == j ? Math.sqrt(Math.max(sum, SMALLEST)) : sum / factor[j * size + j];
            }
        }
        return new Covariances(size, inverse(factor));
    }

    /** The inverse of a lower triangle, written column after column so that what is used together lies together. */
    private double[] inverse(double[] factor) {
        double[] root = new double[size * size];
        for (int column = 0; column < size; column++) {
            int from = column * size;
            for (int i = column; i < size; i++) {
                double sum = i == column ? 1 : 0;
                for (int k = column; k < i; k++) {
                    sum -= factor[i * size + k] * root[from + k];
                }
                root[from + i] = sum / factor[i * size + i];
            }
        }
        return root;
    }

    /**
     * The inverse of the normal equations, by Cholesky's factor; single elements are asked of it.
     *
     * @param root the inverse factor, column after column
     */
    record Covariances(int size, double[] root) {
        double of(int one, int other) {
            double sum = 0;
            for (int k = Math.max(one, other); k < size; k++) {
                sum += root[one * size + k] * root[other * size + k];
            }
            return sum;
        }

        /** Of the two unknowns from there on: northing and easting of a place. */
        Covariance place(int north) {
            return new Covariance(of(north, north), of(north + 1, north + 1), of(north, north + 1));
        }
    }
}
