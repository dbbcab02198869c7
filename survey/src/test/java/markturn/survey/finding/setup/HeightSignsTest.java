package markturn.survey.finding.setup;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import org.junit.jupiter.api.Test;

/** A height of 0 and one below. Common practice, no source: a prism on a wall has none, a target under a ceiling hangs. */
class HeightSignsTest {
    private static List<Finding> said(double height) {
        List<Reading> foresight = pair("T1", Role.FORESIGHT, 1, "80-00-00", "260-00-00", 50.0).stream()
                .map(r -> r.withTargetHeight(MeasuredHeight.toAxis(height)))
                .toList();
        return Survey.compute(Jobs.with(all(pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100.0), foresight)))
                .findings()
                .stream()
                .filter(f -> f.target().equals("T1") && f.code().key().contains("height"))
                .toList();
    }

    @Test
    void zeroIsSaidOnceAndNotRefused() {
        assertThat(said(0)).singleElement().satisfies(f -> {
            assertThat(f.code()).isEqualTo(FindingCode.ZERO_HEIGHT);
            assertThat(f.severity()).isEqualTo(Severity.NOTE);
        });
        assertThat(said(1.5)).isEmpty();
    }

    @Test
    void theSignIsChecked() {
        assertThat(said(-1.5)).singleElement().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.WARN);
            assertThat(f.text()).contains("1.500 m below its mark");
            assertThat(f.value()).isEqualTo(java.util.OptionalDouble.of(-1.5));
        });
    }
}
