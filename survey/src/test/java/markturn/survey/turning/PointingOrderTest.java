package markturn.survey.turning;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.Jobs;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;

class PointingOrderTest {
    private final PointingOrder order = new PointingOrder(List.of("B", "T1", "T2"), 2);

    private static Setup setup(List<Reading> readings) {
        return Jobs.with(readings).setups().get(0);
    }

    @Test
    void backForeThenForeBackOnTheOtherFace() {
        // Source: common practice, it returns the way it came so that drift cancels.
        assertThat(order.round(1))
                .extracting(p -> p.face().name().charAt(0) + " " + p.target())
                .containsExactly("L B", "L T1", "L T2", "R T2", "R T1", "R B");
        assertThat(order.remaining(setup(List.of()))).hasSize(12);
    }

    @Test
    void theNextPointingIsTheFirstStillMissing() {
        List<Reading> booked = new ArrayList<>();
        booked.add(reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "", 0));
        booked.add(reading("T2", Role.FORESIGHT, 1, Face.LEFT, "9-00-00", "", 0));
        assertThat(order.next(setup(booked)).orElseThrow()).isEqualTo(new PointingOrder.Pointing(1, Face.LEFT, "T1"));
    }

    @Test
    void aStruckPointingComesUpAgainAndAStruckSetIsReplacedByAFurtherOne() {
        List<Reading> first = pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 0);
        PointingOrder one = new PointingOrder(List.of("B"), 1);
        List<Reading> half = List.of(first.get(0), first.get(1).struckOut("point again"));
        assertThat(one.next(setup(half)).orElseThrow()).isEqualTo(new PointingOrder.Pointing(1, Face.RIGHT, "B"));
        List<Reading> none =
                List.of(first.get(0).struckOut("bump"), first.get(1).struckOut("bump"));
        assertThat(one.remaining(setup(none))).containsExactlyElementsOf(one.round(2));
        assertThat(one.next(setup(all(none, pair("B", Role.BACKSIGHT, 2, "0-00-00", "180-00-00", 0)))))
                .isEmpty();
    }

    private static List<String> round(PointingOrder.School school) {
        return new PointingOrder(List.of("B", "T1", "T2"), 1, school, Set.of())
                .round(1).stream()
                        .map(p -> p.face().name().charAt(0) + " " + p.target())
                        .toList();
    }

    @Test
    void eachSchoolHasItsOrder() {
        // Source: common practice, no source; the schools as the practice lists them.
        assertThat(round(PointingOrder.School.SAME_WAY)).containsExactly("L B", "L T1", "L T2", "R B", "R T1", "R T2");
        assertThat(round(PointingOrder.School.ROUNDS)).containsExactly("L B", "L T1", "L T2", "R T2", "R T1", "R B");
        assertThat(round(PointingOrder.School.CLOSED_ROUNDS))
                .containsExactly("L B", "L T1", "L T2", "L B", "R B", "R T2", "R T1", "R B");
    }

    @Test
    void aClosedHalfSetAsksForItsFirstTargetASecondTime() {
        PointingOrder closed = new PointingOrder(List.of("B", "T1"), 1, PointingOrder.School.CLOSED_ROUNDS, Set.of());
        List<Reading> booked = new ArrayList<>();
        booked.add(reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "", 0));
        booked.add(reading("T1", Role.FORESIGHT, 1, Face.LEFT, "9-00-00", "", 0));
        assertThat(closed.next(setup(booked)).orElseThrow()).isEqualTo(new PointingOrder.Pointing(1, Face.LEFT, "B"));
    }

    @Test
    void aHalfSetClosedAfterABreakIsReplacedByAFurtherSet() {
        PointingOrder broken = new PointingOrder(List.of("B"), 1, PointingOrder.School.RETURNING, Set.of(1));
        List<Reading> half = List.of(reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "", 0));
        assertThat(broken.remaining(setup(half))).containsExactlyElementsOf(broken.round(2));
    }

    @Test
    void ninetyNineSetsAndASteppedCircle() {
        assertThat(new PointingOrder(List.of("B"), 99).remaining(setup(List.of())))
                .hasSize(198);
        CircleStart start = new CircleStart(OptionalDouble.of(0), true);
        // Source: common practice, the circle is stepped by 180°/n.
        assertThat(Math.toDegrees(start.of(3, 4).getAsDouble())).isCloseTo(90, within(1e-12));
        assertThat(CircleStart.AS_IT_FALLS.of(2, 4)).isEmpty();
    }
}
