package markturn.survey.finding;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

/** One cause, one stop: backsights that are all off alike in elevation. Source: practice, 10; the figure is level, by hand. */
class OneHeightTest {
    /** From a station at elevation 10 two level sights; the marks are listed so much higher. */
    private static List<Finding> elevations(double first, double second) {
        Job job = Jobs.with(
                        new Earth(6371000, 0, false, 1),
                        new Setup.BySights(List.of("B", "C")),
                        all(
                                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100.0),
                                pair("C", Role.BACKSIGHT, 1, "90-00-00", "270-00-00", 100.0)))
                .withMarks(List.of(
                        Mark.control("A", 1000, 5000, OptionalDouble.of(10), "list"),
                        Mark.control("B", 1100, 5000, OptionalDouble.of(10 + first), "list"),
                        Mark.control("C", 1000, 5100, OptionalDouble.of(10 + second), "list"),
                        Mark.named("T1", Mark.Kind.NEW)));
        return Survey.compute(job).findings().stream()
                .filter(f -> f.code() == FindingCode.BACKSIGHT_ELEVATION)
                .toList();
    }

    @Test
    void elevationsThatAreOffAlikeAreTheInstrumentsHeight() {
        List<Finding> said = elevations(0.100, 0.101);
        assertThat(said)
                .filteredOn(f -> f.severity() == Severity.STOP)
                .singleElement()
                .satisfies(f -> assertThat(f.text()).contains("likeliest it is the height of the instrument"));
        assertThat(said)
                .filteredOn(f -> f.severity() == Severity.NOTE)
                .singleElement()
                .satisfies(f -> assertThat(f.text()).startsWith("Follows from the stop"));
    }

    @Test
    void oneThatIsOffOtherwiseStaysAStopOfItsOwn() {
        assertThat(elevations(0.100, -0.200))
                .allMatch(f -> f.severity() == Severity.STOP)
                .hasSize(2);
    }
}
