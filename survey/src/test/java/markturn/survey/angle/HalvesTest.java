package markturn.survey.angle;

import static org.assertj.core.api.Assertions.assertThat;

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
}
