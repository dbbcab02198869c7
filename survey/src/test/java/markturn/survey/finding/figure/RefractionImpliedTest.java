package markturn.survey.finding.figure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

/**
 * Two level marks a kilometre apart in air that bends by k = 0.25: both zenith angles are 90° + (1 - k)D/2R. Source: textbook, the angle of
 * a bent ray over a round earth.
 */
class RefractionImpliedTest {
    private static List<Reading> both(
            String target, String left, String right, String zenith, String over, double slope) {
        return List.of(
                Jobs.reading(target, Role.BACKSIGHT, 1, Face.LEFT, left, zenith, slope),
                Jobs.reading(target, Role.BACKSIGHT, 1, Face.RIGHT, right, over, slope));
    }

    private static Job observed(double k, double length) {
        double zenith = Math.PI / 2 + (1 - k) * length / (2 * 6371000);
        String down = AngleUnit.DMS.write(zenith, 4);
        String over = AngleUnit.DMS.write(2 * Math.PI - zenith, 4);
        Job job = Jobs.with(new Earth(6371000, 0.13, true, 1), new Setup.BySights(List.of("F")), List.of());
        return job.plus(Mark.control("F", 1000 + length, 5000, OptionalDouble.of(10), ""))
                .withSetups(List.of(
                        Jobs.setup("S1", "A", "F", both("F", "0-00-00", "180-00-00", down, over, length)),
                        Jobs.setup("S2", "F", "A", both("A", "0-00-00", "180-00-00", down, over, length))));
    }

    @Test
    void zenithsBothWaysImplyTheirRefraction() {
        Finding found = Survey.compute(observed(0.25, 1000)).findings().stream()
                .filter(f -> f.code() == FindingCode.REFRACTION_IMPLIED)
                .findFirst()
                .orElseThrow();
        assertThat(found.value().getAsDouble()).isCloseTo(0.25, within(0.002));
        assertThat(found.text()).contains("0.13 is taken");
    }

    @Test
    void shortLinesSayNothing() {
        assertThat(Survey.compute(observed(0.25, 200)).findings())
                .noneMatch(f -> f.code() == FindingCode.REFRACTION_IMPLIED);
    }
}
