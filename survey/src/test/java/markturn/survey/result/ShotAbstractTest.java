package markturn.survey.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import org.junit.jupiter.api.Test;

/**
 * What a single shot shows beside targets turned in sets: it belongs to the circle of the set before it, and has no residual. Source: the
 * definitions; collimation half of left less right and half a turn (textbook).
 */
class ShotAbstractTest {
    private static final double SECOND = Math.toRadians(1 / 3600.0);

    private static String written(double degrees, double seconds) {
        return AngleUnit.DMS.write(Math.toRadians(degrees) + seconds * SECOND, 1);
    }

    private static List<Reading> sight(String target, Role role, int set, double degrees, double apart, double slope) {
        return Jobs.pair(target, role, set, written(degrees, apart), written(degrees + 180, -apart), slope);
    }

    private static MeasuredSetup setup() {
        return Survey.compute(Jobs.with(Jobs.all(
                        sight("B", Role.BACKSIGHT, 1, 10, 0, 100),
                        sight("B", Role.BACKSIGHT, 2, 70, 0, 100),
                        sight("D1", Role.DETAIL, 0, 110, 4, 25),
                        sight("D2", Role.DETAIL, 0, 130, 0, 30).subList(0, 1))))
                .measured()
                .setups()
                .get(0);
    }

    @Test
    void aShotOnBothFacesIsAWholeSetOnTheCircleBeforeIt() {
        SetAbstract shot = setup().sets("D1").orElseThrow();
        assertThat(shot.sets()).isEqualTo(1);
        assertThat(shot.count()).isEqualTo(1);
        assertThat(shot.direction().orElseThrow()).isCloseTo(Math.toRadians(40), within(1e-9));
        assertThat(shot.directions()).containsExactly(OptionalDouble.empty(), shot.direction());
        assertThat(shot.residuals()).containsExactly(OptionalDouble.empty(), OptionalDouble.of(0));
        assertThat(shot.stdDev()).isEmpty();
        assertThat(shot.stdDevMean()).isEmpty();
        assertThat(shot.collimation().get(0)).isEmpty();
        assertThat(shot.collimation().get(1).orElseThrow()).isCloseTo(4 * SECOND, within(1e-9));
        assertThat(shot.index().get(1).orElseThrow()).isCloseTo(0, within(1e-9));
        assertThat(shot.distances()).containsExactly(OptionalDouble.empty(), shot.slope());
        assertThat(shot.zenith().orElseThrow()).isCloseTo(Math.PI / 2, within(1e-9));
    }

    @Test
    void aShotOnOneFaceCountsHalfAndShowsNoErrorOfTheInstrument() {
        SetAbstract shot = setup().sets("D2").orElseThrow();
        assertThat(shot.count()).isEqualTo(0.5);
        assertThat(shot.direction().orElseThrow()).isCloseTo(Math.toRadians(60), within(1e-9));
        assertThat(shot.collimation()).containsOnly(OptionalDouble.empty());
        assertThat(shot.index()).containsOnly(OptionalDouble.empty());
        assertThat(shot.horizontal().orElseThrow()).isCloseTo(30, within(1e-6));
    }

    /** What is missing in the book is missing here, and no number stands for it. */
    @Test
    void aShotWithoutDistanceHasADirectionAndNothingElse() {
        MeasuredSetup setup = Survey.compute(Jobs.with(Jobs.all(
                        sight("B", Role.BACKSIGHT, 1, 10, 0, 100),
                        List.of(Jobs.reading("D1", Role.DETAIL, 0, Reading.Face.LEFT, "50-00-00", "", 0)))))
                .measured()
                .setups()
                .get(0);
        SetAbstract sets = setup.sets("D1").orElseThrow();
        assertThat(sets.direction().orElseThrow()).isCloseTo(Math.toRadians(40), within(1e-9));
        assertThat(sets.slope()).isEmpty();
        assertThat(sets.zenith()).isEmpty();
        assertThat(sets.horizontal()).isEmpty();
        assertThat(sets.elevationDifference()).isEmpty();
        assertThat(sets.distances()).containsExactly(OptionalDouble.empty());
        Shot shot = setup.shots().get(1);
        assertThat(shot.rise()).isEmpty();
        assertThat(shot.position()).isEmpty();
    }
}
