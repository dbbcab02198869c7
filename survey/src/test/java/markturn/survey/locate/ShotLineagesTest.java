package markturn.survey.locate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import markturn.survey.Jobs;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.propagate.Targets;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.PolarFix;
import org.junit.jupiter.api.Test;

/** What the errors of places sighted from one setup are made of. Source of the variances: propagation written out by hand (textbook). */
class ShotLineagesTest {
    private static final double TURN = 1e-5;
    private static final double RANGE = 2e-3;
    private static final double CENTRING = 1e-3;
    private static final Reflector TARGET = new Reflector("R1", 0, CENTRING, 3e-3, Optional.empty());

    /** The instrument known to 3 and 4 mm, its orientation to 20 µrad, its axis to 2 mm. */
    private static Pose pose(String... shared) {
        Lineage place = Lineage.source("S1 instrument", 3, new double[] {9e-6, 0, 0, 0, 16e-6, 0, 0, 0, 4e-10});
        Lineage axis = Lineage.source("S1 axis", 1, new double[] {4e-6});
        return new Pose("S1", place, axis, Targets.around("S1", Set.of(shared), List.of(place, axis)));
    }

    private static PolarFix shot(int place) {
        Reading reading = Jobs.reading("D1", Reading.Role.DETAIL, 0, Reading.Face.LEFT, "0-00-00", "90-00-00", 100);
        return new PolarFix(List.of(new BookedReading(place, 1, reading, 100)), true);
    }

    /** Due north, so many metres. */
    private static ShotLineages north(Pose pose, int place, double metres) {
        return new ShotLineages(pose, shot(place), "D1", TARGET, metres, 0, 0, TURN * TURN, RANGE * RANGE, 25e-6, true);
    }

    @Test
    void aPlaceDueNorthHasWhatIsCarriedAndItsOwn() {
        double[] plan = new Propagation().variance(north(pose(), 0, 100).plan().orElseThrow());
        assertThat(plan[0]).isCloseTo(9e-6 + RANGE * RANGE + CENTRING * CENTRING, within(1e-18));
        assertThat(plan[3]).isCloseTo(16e-6 + 100 * 100 * (4e-10 + TURN * TURN) + CENTRING * CENTRING, within(1e-18));
        assertThat(plan[1]).isCloseTo(0, within(1e-18));
        double[] level =
                new Propagation().variance(north(pose(), 0, 100).level().orElseThrow());
        assertThat(level[0]).isCloseTo(4e-6 + 25e-6 + 9e-6, within(1e-18));
    }

    /** Two sights of one setup share the instrument; of one target that stood still, its centring and its height too. */
    @Test
    void twoSightsShareTheInstrumentAndATargetThatStood() {
        assertThat(shared(pose())[0]).isCloseTo(9e-6, within(1e-18));
        assertThat(shared(pose())[3]).isCloseTo(16e-6 + 100 * 100 * 4e-10, within(1e-18));
        assertThat(shared(pose("D1"))[0]).isCloseTo(9e-6 + CENTRING * CENTRING, within(1e-18));
        assertThat(levels(pose())).isCloseTo(4e-6, within(1e-18));
        assertThat(levels(pose("D1"))).isCloseTo(4e-6 + 9e-6, within(1e-18));
    }

    private static double[] shared(Pose pose) {
        return new Propagation()
                .covariance(
                        north(pose, 0, 100).plan().orElseThrow(),
                        north(pose, 5, 100).plan().orElseThrow());
    }

    private static double levels(Pose pose) {
        return new Propagation()
                .covariance(
                        north(pose, 0, 100).level().orElseThrow(),
                        north(pose, 5, 100).level().orElseThrow())[0];
    }

    /** Made again it is the same source: no covariance is lost by that. */
    @Test
    void askedTwiceItIsTheSame() {
        ShotLineages one = north(pose(), 0, 100);
        assertThat(one).isEqualTo(north(pose(), 0, 100)).isNotEqualTo(north(pose(), 5, 100));
        assertThat(one.plan())
                .isEqualTo(one.plan())
                .isNotEqualTo(north(pose(), 5, 100).plan());
        assertThat(new Propagation()
                        .covariance(one.plan().orElseThrow(), one.plan().orElseThrow()))
                .isEqualTo(new Propagation().variance(one.plan().orElseThrow()));
    }

    @Test
    void withoutElevationNothingLevelsIt() {
        ShotLineages plan = new ShotLineages(pose(), shot(0), "D1", TARGET, 100, 0, 0, TURN, RANGE, 0, false);
        assertThat(plan.level()).isEmpty();
        assertThat(plan.plan()).isPresent();
    }
}
