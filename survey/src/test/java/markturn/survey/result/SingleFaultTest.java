package markturn.survey.result;

import static org.assertj.core.api.Assertions.assertThat;

import markturn.survey.job.Reflector;
import markturn.survey.result.SingleFault.Kind;
import markturn.survey.result.SingleFault.What;
import org.junit.jupiter.api.Test;

/** What may be wrong is named as people at the tripod would. Common practice, no source. */
class SingleFaultTest {
    @Test
    void sightsWithoutReflectorHaveNoReflectorsConstant() {
        assertThat(new What(Kind.CONSTANT, "", "Prism").words()).isEqualTo("reflector constant of Prism");
        assertThat(new What(Kind.CONSTANT, "", Reflector.REFLECTORLESS).words())
                .isEqualTo("constant of the instrument without reflector");
        assertThat(new What(Kind.DIRECTION, "S1", "T2").words()).isEqualTo("direction from S1 to T2");
        assertThat(new What(Kind.INSTRUMENT_HEIGHT, "S1", "").words()).isEqualTo("instrument height at S1");
    }
}
