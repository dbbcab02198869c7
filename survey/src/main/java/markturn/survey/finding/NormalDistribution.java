package markturn.survey.finding;

/**
 * Quantiles of the standard normal distribution by the rational approximation of P. J. Acklam (relative error below 1.2e-9; from memory,
 * tested against a general-purpose library).
 */
final class NormalDistribution {
    private static final double[] A = {
        -3.969683028665376e+01,
        2.209460984245205e+02,
        -2.759285104469687e+02,
        1.383577518672690e+02,
        -3.066479806614716e+01,
        2.506628277459239e+00
    };
    private static final double[] B = {
        -5.447609879822406e+01,
        1.615858368580409e+02,
        -1.556989798598866e+02,
        6.680131188771972e+01,
        -1.328068155288572e+01,
        1
    };
    private static final double[] C = {
        -7.784894002430293e-03,
        -3.223964580411365e-01,
        -2.400758277161838e+00,
        -2.549732539343734e+00,
        4.374664141464968e+00,
        2.938163982698783e+00
    };
    private static final double[] D = {
        7.784695709041462e-03, 3.224671290700398e-01, 2.445134137142996e+00, 3.754408661907416e+00, 1
    };
    private static final double TAIL = 0.02425;

    private NormalDistribution() {}

    /** The deviate that is exceeded, in size, with that probability (0 to 1, both ends out). */
    static double twoSided(double probability) {
        return -quantile(probability / 2);
    }

    /**
     * The probability that a deviate is larger in size, both ends: the approximation 7.1.26 of M. Abramowitz and I. A. Stegun (from memory,
     * tested against a general-purpose library), good to 2e-7.
     *
     * @param deviate at least 0
     */
    static double beyond(double deviate) {
        double x = deviate / Math.sqrt(2);
        double t = 1 / (1 + 0.3275911 * x);
        double series =
                t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
        return series * Math.exp(-x * x);
    }

    private static double quantile(double p) {
        if (p < TAIL) {
            double q = Math.sqrt(-2 * Math.log(p));
            return polynomial(C, q) / polynomial(D, q);
        }
        double q = p - 0.5;
        double r = q * q;
        return polynomial(A, r) * q / polynomial(B, r);
    }

    private static double polynomial(double[] coefficients, double x) {
        double value = 0;
        for (double coefficient : coefficients) {
            value = value * x + coefficient;
        }
        return value;
    }
}
