package markturn.survey.finding;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.circle;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

/** What is said of one setup alone. Source of the mistakes: practice.md 11; sizes: common practice, no source. */
class SetupFindingsTest {
    private static List<Finding> found(Job job, FindingCode code) {
        return Survey.compute(job).findings().stream()
                .filter(f -> f.code() == code)
                .toList();
    }

    private static List<Reading> sights() {
        return all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                pair("T1", Role.FORESIGHT, 1, "80-00-00", "260-00-00", 100));
    }

    /** What a target is, is asked of the mark behind its name: a sight by another name is judged as one by its own. Definition. */
    @Test
    void aSetupSeesTheMarkBehindAnotherName() {
        Job job = Jobs.with(all(
                        pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100),
                        pair("X9", Role.DETAIL, 1, "80-00-00", "260-00-00", 50)))
                .plus(Mark.named("X9", Mark.Kind.NEW).withSameAs(Optional.of("301")));
        Job seen = job.seenFrom(job.setup("S1").orElseThrow());
        assertThat(seen.marks()).extracting(Mark::name).containsExactlyInAnyOrder("A", "B", "X9", "301");
        assertThat(seen.mark(seen.trueName("X9")).orElseThrow().kind()).isEqualTo(Mark.Kind.LOCATED);
        assertThat(seen.setups()).isEmpty();
    }

    /** The plummet's limit in engineering work is 1 mm. */
    @Test
    void anInstrumentBesideItsMarkIsSaidWithHowFar() {
        Job job = Jobs.with(sights());
        for (double off : new double[] {0.0005, 0.004}) {
            Job noted = job.withSetup(
                    "S1",
                    s -> new Setup(
                            s.name(),
                            s.station(),
                            s.method(),
                            s.instrument(),
                            s.instrumentHeight(),
                            s.tilt(),
                            s.atmosphere(),
                            s.orientation(),
                            new Setup.SettingUp(OptionalDouble.of(off), OptionalDouble.empty(), Optional.empty()),
                            s.readings()));
            List<Finding> said = found(noted, FindingCode.PLUMMET_OFFSET);
            assertThat(said).hasSize(off > 0.001 ? 1 : 0);
            said.forEach(f -> assertThat(f.text()).contains("stood 4.0 mm beside the mark"));
        }
    }

    @Test
    void aGivenAzimuthIsTestedByNothing() {
        Job job = Jobs.with(new Earth(6371000, 0.13, false, 1), new Setup.ByAzimuth(circle("0-00-00"), "B"), sights());
        assertThat(found(job, FindingCode.ORIENTATION_GIVEN)).singleElement().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.NOTE);
            assertThat(f.target()).isEqualTo("B");
        });
        assertThat(found(Jobs.with(sights()), FindingCode.ORIENTATION_GIVEN)).isEmpty();
    }

    /** The index is half of what both zenith angles miss 360° by: between the pairs it moves by half of 40"; from 45" on it would be a digit misread. */
    @Test
    void anIndexThatMovesBetweenPairsIsSaid() {
        List<Reading> readings = new ArrayList<>();
        for (String[] each : new String[][] {{"B", "0-00-00", "180-00-00"}, {"T1", "80-00-00", "260-00-00"}}) {
            boolean second = each[0].equals("T1");
            Role role = second ? Role.FORESIGHT : Role.BACKSIGHT;
            readings.add(reading(each[0], role, 1, Face.LEFT, each[1], "90-00-00", 100));
            readings.add(reading(each[0], role, 1, Face.RIGHT, each[2], second ? "270-00-40" : "270-00-00", 100));
        }
        assertThat(found(Jobs.with(readings), FindingCode.INDEX_SPREAD))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.severity()).isEqualTo(Severity.WARN);
                    assertThat(f.value().getAsDouble()).isCloseTo(20 * Angles.SECOND, within(0.01 * Angles.SECOND));
                });
        assertThat(found(Jobs.with(sights()), FindingCode.INDEX_SPREAD)).isEmpty();
    }
}
