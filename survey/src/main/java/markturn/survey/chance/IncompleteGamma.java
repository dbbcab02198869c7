package markturn.survey.chance;

/**
 * The regularised incomplete gamma function, the tail of chi-square and of the normal distribution. Written here because it runs in a
 * browser too, where the general-purpose library that tests hold it to cannot be taken; to ten digits, also in tails of 1e-200.
 */
final class IncompleteGamma {
    private static final double STILL = 1e-16;
    private static final int MOST_TERMS = 100_000;
    /** From here on Stirling's series gives all digits. */
    private static final double LARGE = 10;
    /** Keeps a continued fraction from dividing by zero. */
    private static final double TINY = 1e-300;

    private IncompleteGamma() {}

    /**
     * Q(a, x), what lies above x.
     *
     * @param a above 0, a multiple of one half
     * @param x at least 0
     */
    static double above(double a, double x) {
        if (x <= 0) {
            return 1;
        }
        return x < a + 1 ? 1 - front(a, x) * series(a, x) : front(a, x) * a * fraction(a, x);
    }

    /** x^a e^(−x) / Γ(a + 1); for large a by Stirling's series, NIST DLMF 5.11.1, about x = a, where nothing cancels. */
    static double front(double a, double x) {
        if (a < LARGE) {
            return Math.exp(a * Math.log(x) - x) / factorial(a);
        }
        double beside = (x - a) / a;
        double square = a * a;
        double stirling =
                (1.0 / 12 - (1.0 / 360 - (1.0 / 1260 - (1.0 / 1680 - 1.0 / 1188 / square) / square) / square) / square)
                        / a;
        return Math.exp(a * (Math.log1p(beside) - beside) - stirling) / Math.sqrt(2 * Math.PI * a);
    }

    /** Γ(a + 1) by its recurrence down to Γ(1) = 1 or Γ(1/2) = √π. */
    private static double factorial(double a) {
        double product = 1;
        double left = a;
        while (left > 0.75) {
            product *= left;
            left--;
        }
        return left > 0.25 ? product * left * Math.sqrt(Math.PI) : product;
    }

    /** NIST DLMF 8.11.4. */
    private static double series(double a, double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < MOST_TERMS && term > STILL * sum; k++) {
            term *= x / (a + k);
            sum += term;
        }
        return sum;
    }

    /** NIST DLMF 8.9.2 in its even form, summed from the front after Lentz. */
    private static double fraction(double a, double x) {
        double b = x + 1 - a;
        double c = 1 / TINY;
        double d = 1 / b;
        double value = d;
        for (int k = 1; k < MOST_TERMS; k++) {
            double numerator = -k * (k - a);
            b += 2;
            d = 1 / notZero(numerator * d + b);
            c = notZero(b + numerator / c);
            value *= c * d;
            if (Math.abs(c * d - 1) < STILL) {
                break;
            }
        }
        return value;
    }

    private static double notZero(double value) {
        return Math.abs(value) < TINY ? TINY : value;
    }
}
