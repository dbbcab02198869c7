package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.ClassOfWork.Preset;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Traverse;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What marks and figures say where one thing is wrong by a known size. Mistakes: practice.md 11; figures and sizes are made up. */
class FigureFindingsTest {
    private static List<Finding> found(Job job, FindingCode code) {
        return Survey.compute(job).findings().stream()
                .filter(f -> f.code() == code)
                .toList();
    }

    /** Two marks carry coordinates of another survey, 90 mm north and 60 mm east of this one: neither pair contradicts itself. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void twoPairsOfTwoSurveysAreTwoGroups(long seed) {
        Job clean = Campaigns.free(seed, 4, Preset.ENGINEERING, Campaigns.instrument(1))
                .campaign()
                .job();
        assertThat(found(clean, FindingCode.GROUPS_AGREE)).isEmpty();
        Job job = clean;
        for (String mark : List.of("C3", "C4")) {
            job = job.withMark(mark, m -> {
                Mark.Coordinates at = m.given().orElseThrow();
                return m.withGiven(
                        new Mark.Coordinates(at.northing() + 0.09, at.easting() + 0.06, at.elevation()), m.source());
            });
        }
        assertThat(found(job, FindingCode.GROUPS_AGREE))
                .singleElement()
                .satisfies(f -> assertThat(f.text()).contains("C1 and C2 agree among themselves, and so do C3 and C4"));
    }

    /** The height of an instrument lifts what it carries on and lowers what it looks back to: the mean of a leg takes half of it. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aHeightThatIsWrongIsLeftOverInElevation(long seed) {
        Job clean = Campaigns.loop(seed, 5, Preset.ENGINEERING, Campaigns.instrument(1), Traverse.Rule.COMPASS)
                .campaign()
                .job();
        assertThat(found(clean, FindingCode.MISCLOSURE_ELEVATION)).isEmpty();
        double height =
                clean.setup("S0").orElseThrow().instrumentHeight().orElseThrow().value();
        Job job = clean.withSetup("S5", s -> s.withInstrumentHeight(MeasuredHeight.toAxis(height + 0.3)));
        assertThat(found(job, FindingCode.MISCLOSURE_ELEVATION)).singleElement().satisfies(f -> {
            assertThat(f.target()).isEqualTo("A");
            assertThat(f.value()).isPresent();
        });
        OptionalDouble before =
                Survey.compute(clean).measured().traverses().get(0).elevation();
        OptionalDouble after = Survey.compute(job).measured().traverses().get(0).elevation();
        assertThat(after.getAsDouble() - before.getAsDouble()).isNotCloseTo(0, within(0.1));
    }
}
