package markturn.survey.adjust;

import java.util.List;

/**
 * An adjusted problem: unknowns, residuals, and what each observation was worth. A priori throughout (variance factor 1). Textbook least
 * squares; reliability after W. Baarda.
 */
public final class Adjustment {
    private final List<? extends Observed> observations;
    private final double[] unknowns;
    private final NormalEquations normal;

    Adjustment(List<? extends Observed> observations, double[] unknowns, NormalEquations normal) {
        this.observations = List.copyOf(observations);
        this.unknowns = unknowns;
        this.normal = normal;
    }

    /** The adjusted value of an unknown. */
    public double unknown(int number) {
        return unknowns[number];
    }

    /** All adjusted values. */
    public double[] unknowns() {
        return unknowns.clone();
    }

    /** Covariance of two unknowns. */
    public double covariance(int one, int other) {
        return normal.cofactor(one, other);
    }

    /** How many observations more than unknowns. */
    public int redundancy() {
        return observations.size() - unknowns.length;
    }

    /** Adjusted minus observed. */
    public double residual(int observation) {
        return -observations.get(observation).misclosure(unknowns);
    }

    /** One sigma a priori of an observation. */
    public double stdDev(int observation) {
        return observations.get(observation).stdDev();
    }

    /** The weighted sum of squared residuals. */
    public double squares() {
        double sum = 0;
        for (int i = 0; i < observations.size(); i++) {
            sum += Math.pow(residual(i) / observations.get(i).stdDev(), 2);
        }
        return sum;
    }

    /**
     * The redundancy matrix of some observations, each divided by its standard deviation: {@code I − A Q Aᵀ}, symmetric. Its diagonal
     * holds their redundancy numbers.
     */
    public double[][] redundancyBlock(int... some) {
        double[][] rows = new double[some.length][];
        for (int i = 0; i < some.length; i++) {
            rows[i] = normalised(some[i]);
        }
        double[][] block = new double[some.length][some.length];
        for (int i = 0; i < some.length; i++) {
            for (int j = i; j < some.length; j++) {
                double value = (i == j ? 1 : 0) - product(rows[i], rows[j]);
                block[i][j] = value;
                block[j][i] = value;
            }
        }
        return block;
    }

    private double[] normalised(int observation) {
        Observed observed = observations.get(observation);
        double[] row = new double[unknowns.length];
        observed.partials(unknowns, (unknown, derivative) -> row[unknown] += derivative / observed.stdDev());
        return row;
    }

    private double product(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            if (one[i] == 0) {
                continue;
            }
            for (int j = 0; j < other.length; j++) {
                if (other[j] != 0) {
                    sum += one[i] * normal.cofactor(i, j) * other[j];
                }
            }
        }
        return sum;
    }

    /** What an error of one observation, undetected, does to an unknown: {@code Q Aᵀ P} times the error. */
    public double effect(int observation, double error, int unknown) {
        Observed observed = observations.get(observation);
        double[] sum = new double[1];
        observed.partials(unknowns, (other, derivative) -> sum[0] += normal.cofactor(unknown, other) * derivative);
        return sum[0] * error / (observed.stdDev() * observed.stdDev());
    }
}
