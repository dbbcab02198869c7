package markturn.survey.finding.base;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import markturn.survey.Jobs;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** An acceptance holds for what was accepted, and for nothing else. Common practice, no source. */
class BasisTest {
    private static Job job() {
        List<Reading> readings = Jobs.pair("B", Reading.Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 100);
        return Jobs.with(new Earth(6371000, 0.13, true, 1), new Setup.BySights(List.of("B")), readings);
    }

    private static Setup setup(Job job) {
        return job.setups().get(0);
    }

    private static Job accepted(Job job) {
        return job.plus(new Decision(
                Optional.empty(),
                "reviewer",
                Decision.ACCEPT,
                Proof.stateOf(job, setup(job)),
                "",
                Optional.empty(),
                Optional.empty()));
    }

    private static UnaryOperator<Job> setups(UnaryOperator<Setup> change) {
        return job -> job.withSetup(setup(job).name(), change);
    }

    private static MeasuredHeight height(double metres) {
        return new MeasuredHeight(metres, MeasuredHeight.To.AXIS, OptionalDouble.empty());
    }

    static Stream<Arguments> changes() {
        return Stream.of(
                Arguments.of("readings", setups(s -> s.withReading(0, r -> r.struckOut("why")))),
                Arguments.of("readings", setups(s -> s.withReading(0, r -> r.withSlope(OptionalDouble.of(100.001))))),
                Arguments.of("heights", setups(s -> s.withReading(0, r -> r.withTargetHeight(height(2.5))))),
                Arguments.of("heights", setups(s -> s.withInstrumentHeight(height(1.234)))),
                Arguments.of("air", setups(s -> s.withAtmosphere(new Atmosphere(40, 900, 0)))),
                Arguments.of("setting up", setups(s -> s.withTilt(new Setup.Tilt(1e-4, 0, false)))),
                Arguments.of("control", (UnaryOperator<Job>)
                        job -> job.withMark("B", m -> Mark.control("B", 1, 2, OptionalDouble.of(3), "moved"))));
    }

    @ParameterizedTest
    @MethodSource("changes")
    void whateverItRestsOnOpensIt(String part, UnaryOperator<Job> change) {
        Job accepted = accepted(job());
        assertThat(Proof.acceptance(accepted, setup(accepted))).isPresent();
        Job changed = change.apply(accepted);
        assertThat(Proof.acceptance(changed, setup(changed))).isEmpty();
        assertThat(Proof.lapsed(changed, setup(changed)))
                .hasValueSatisfying(l -> assertThat(l.changed()).contains(part));
    }

    /** The counts are the same as before: one struck, another restored. */
    @Test
    void strikingOneAndRestoringAnotherOpensIt() {
        Job before = setups(s -> s.withReading(0, r -> r.struckOut("why"))).apply(job());
        Job accepted = accepted(before);
        Job swapped = setups(s -> s.withReading(0, Reading::restored).withReading(1, r -> r.struckOut("why")))
                .apply(accepted);
        assertThat(Proof.acceptance(accepted, setup(accepted))).isPresent();
        assertThat(Proof.acceptance(swapped, setup(swapped))).isEmpty();
    }

    @Test
    void anAcceptanceOfBeforeKnowsItsCountsAlone() {
        Job job = job();
        Map<String, Object> old = Map.of("setup", setup(job).name(), "readings", 2, "struck", 0);
        Job accepted = job.plus(new Decision(
                Optional.empty(), "reviewer", Decision.ACCEPT, old, "", Optional.empty(), Optional.empty()));
        assertThat(Proof.acceptance(accepted, setup(accepted))).isPresent();
    }

    @Test
    void whatAFileStatesSignsNothingOff() {
        Job stated = accepted(job()).stated("Somebody here");
        assertThat(Proof.acceptance(stated, setup(stated))).isEmpty();
        assertThat(stated.decisions().get(0).whose())
                .isEqualTo("stated in the file by reviewer, brought in by Somebody here");
    }

    @Test
    void itsTextIsReadBack() {
        Job job = job();
        Basis basis = Basis.of(job, setup(job));
        assertThat(Basis.read(basis.text())).hasValue(basis);
        assertThat(Basis.read("")).isEmpty();
        assertThat(Basis.read("2 readings=1")).isEmpty();
        assertThat(basis.changed(basis)).isEmpty();
    }
}
