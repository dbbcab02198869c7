package markturn.survey.angle;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A computed number before it is rounded to the digits that are shown. The mean of two readings often ends in an exact half, which a sine's
 * last digit would push up on one machine and down on the next: what lies within a millionth of the last digit shown is one number.
 */
public final class Halves {
    private static final int FURTHER = 6;

    private Halves() {}

    /**
     * @param amount finite
     * @param decimals that will be shown
     */
    public static BigDecimal of(double amount, int decimals) {
        return BigDecimal.valueOf(amount).setScale(decimals + FURTHER, RoundingMode.HALF_UP);
    }
}
