package markturn.survey.angle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import markturn.survey.finding.words.Words;
import org.junit.jupiter.api.Test;

/** A half that a machine's last digit has moved is a half all the same: common practice, no source. */
class HalvesTest {
    @Test
    void aHalfIsRoundedAlikeWhicheverSideItsLastDigitFell() {
        assertThat(Words.number(15.5, 0)).isEqualTo("16");
        assertThat(Words.number(Math.nextDown(15.5), 0)).isEqualTo("16");
        assertThat(Words.number(15.4999, 0)).isEqualTo("15");
        double half = AngleUnit.DMS.read("180-00-15.5");
        assertThat(AngleUnit.DMS.write(half - 1e-15, 0)).isEqualTo(AngleUnit.DMS.write(half + 1e-15, 0));
        assertThat(AngleUnit.DMS.write(AngleUnit.DMS.read("359-59-59.99999999"), 1))
                .isEqualTo("0-00-00.0");
    }

    /** Source: {@link BigDecimal} of the JDK, which takes every digit into account. */
    private static String byEveryDigit(double amount, int decimals) {
        return Halves.of(amount, decimals)
                .setScale(decimals, RoundingMode.HALF_UP)
                .toPlainString();
    }

    @Test
    void whatIsWrittenQuicklyIsWhatEveryDigitGives() {
        Random random = new Random(7);
        for (int i = 0; i < 200_000; i++) {
            int decimals = random.nextInt(8);
            double amount = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(17) - 3);
            double nearAHalf = (Math.rint(amount) + 0.5) / Math.pow(10, decimals) + (random.nextInt(5) - 2) * 1e-9;
            for (double one : new double[] {amount, nearAHalf, -nearAHalf, Math.rint(amount)}) {
                assertThat(Halves.written(one, decimals))
                        .as("%s with %d decimals", one, decimals)
                        .isEqualTo(byEveryDigit(one, decimals));
            }
        }
        assertThat(Halves.written(-0.00004, 4)).isEqualTo("0.0000");
        assertThat(Halves.written(-0.0, 1)).isEqualTo("0.0");
        assertThat(Halves.written(9.99996, 4)).isEqualTo("10.0000");
        assertThatThrownBy(() -> Halves.written(Double.NaN, 2)).isInstanceOf(NumberFormatException.class);
    }
}
