package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
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

    /** A target's height that is noted too large lowers its leg by that much seen from one end; the leg's mean of both ways takes half. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aTargetHeightThatIsWrongIsLeftOverByHalf(long seed) {
        Job clean = Campaigns.loop(seed, 5, Preset.ENGINEERING, Campaigns.instrument(1), Traverse.Rule.COMPASS)
                .campaign()
                .job();
        assertThat(found(clean, FindingCode.MISCLOSURE_ELEVATION)).isEmpty();
        Job job = clean.withSetup(
                "S2",
                s -> s.withReadings(s.readings().stream()
                        .map(r -> r.target().equals("L3")
                                ? r.withTargetHeight(MeasuredHeight.toAxis(
                                        r.targetHeight().orElseThrow().value() + 0.3))
                                : r)
                        .toList()));
        assertThat(found(job, FindingCode.MISCLOSURE_ELEVATION))
                .singleElement()
                .satisfies(f -> assertThat(f.target()).isEqualTo("A"));
        assertThat(elevation(job) - elevation(clean)).isCloseTo(-0.15, within(0.001));
    }

    private static double elevation(Job job) {
        return Survey.compute(job).measured().traverses().get(0).elevation().getAsDouble();
    }
}
