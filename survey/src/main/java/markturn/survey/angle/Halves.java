package markturn.survey.angle;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A computed number before it is rounded to the digits that are shown. The mean of two readings often ends in an exact half, which a sine's
 * last digit would push up on one machine and down on the next: what lies within a millionth of the last digit shown is one number.
 */
public final class Halves {
    private static final int FURTHER = 6;

    /** Tens of the decimals that are usually shown. */
    private static final double[] TENS = {1, 10, 100, 1e3, 1e4, 1e5, 1e6};

    /** Of larger ones the product with a ten says nothing of the last digit. */
    private static final double LARGEST = 1e14;

    /** So near to a half, in last digits, nothing is decided without all of its digits; nor within what the product is wrong by. */
    private static final double NEAR_A_HALF = 1e-4;

    private Halves() {}

    /**
     * A number rounded half up. Nearly all are far from a half, and rounded without the arithmetic of digits.
     *
     * @param amount finite
     * @param decimals 0 or more
     */
    public static BigDecimal rounded(double amount, int decimals) {
        return rounded(amount, decimals, RoundingMode.HALF_UP);
    }

    /** The same, a half rounded otherwise. */
    static BigDecimal rounded(double amount, int decimals, RoundingMode ofHalves) {
        double scaled = decimals < TENS.length ? Math.abs(amount) * TENS[decimals] : Double.NaN;
        double whole = Math.floor(scaled);
        double rest = scaled - whole;
        if (!(scaled < LARGEST) || Math.abs(rest - 0.5) < NEAR_A_HALF + 2 * Math.ulp(scaled)) {
            return of(amount, decimals).setScale(decimals, ofHalves);
        }
        long digits = (long) whole + (rest > 0.5 ? 1 : 0);
        return BigDecimal.valueOf(amount < 0 ? -digits : digits, decimals);
    }

    /** The same as it is read, with a point; what rounds to zero has no sign. */
    public static String written(double amount, int decimals) {
        return rounded(amount, decimals).toPlainString();
    }

    /**
     * @param amount finite
     * @param decimals that will be shown
     */
    public static BigDecimal of(double amount, int decimals) {
        return BigDecimal.valueOf(amount).setScale(decimals + FURTHER, RoundingMode.HALF_UP);
    }
}
