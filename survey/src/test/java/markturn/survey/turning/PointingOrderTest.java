package markturn.survey.turning;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
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
}
