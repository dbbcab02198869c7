package markturn.survey.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import org.junit.jupiter.api.Test;

/** Which marks a rule is shown that asks for a kind of them, and what is taken over from before; by the definitions, no source. */
class MeasuredMarksTest {
    private static final GivenMarks GIVEN = GivenMarks.of(
            List.of(
                    mark("A", Mark.Kind.CONTROL, true, Mark.Found.UNDISTURBED),
                    mark("N", Mark.Kind.NEW, false, Mark.Found.UNDISTURBED),
                    mark("D", Mark.Kind.LOCATED, false, Mark.Found.UNDISTURBED),
                    mark("L", Mark.Kind.CONTROL, true, Mark.Found.LEANING)),
            false);

    private static final Position HERE = place(10);
    private static final Position THERE = place(20);

    private static Mark mark(String name, Mark.Kind kind, boolean given, Mark.Found found) {
        return new Mark(
                name,
                kind,
                given ? Optional.of(new Mark.Coordinates(1, 2, OptionalDouble.of(5))) : Optional.empty(),
                Optional.empty(),
                "",
                Optional.of(found),
                "",
                Optional.empty());
    }

    private static Position place(double northing) {
        return Position.held(new Mark.Coordinates(northing, 0, OptionalDouble.empty()));
    }

    /** N carried by a setup, D intersected, A at another place than given. */
    private static KnownPositions known(Position ofD) {
        KnownPositions known = new KnownPositions(GIVEN);
        known.found(GIVEN.placeOr("N", -1), HERE, "S1");
        known.put("D", ofD);
        known.comesFrom("D", MeasuredSetup.SEVERAL);
        known.put("A", THERE);
        return known;
    }

    @Test
    void everyKindIsShownToWhoAsksForIt() {
        MeasuredMark station = new MeasuredMark(
                mark("F", Mark.Kind.NEW, false, Mark.Found.UNDISTURBED),
                Optional.of(HERE),
                Optional.of("S2"),
                Optional.empty());
        MeasuredMarks marks = new MeasuredMarks(GIVEN, known(HERE), Map.of(), List.of(station), MeasuredMarks.NONE);
        assertThat(marks.measured()).extracting(MeasuredMark::name).containsExactly("A", "N", "D", "F");
        assertThat(marks.newControl()).extracting(MeasuredMark::name).containsExactly("N", "F");
        assertThat(marks.fixed()).extracting(MeasuredMark::name).containsExactly("A");
        assertThat(marks.intersected()).extracting(MeasuredMark::name).containsExactly("D");
        assertThat(marks.disturbed()).extracting(Mark::name).containsExactly("L");
    }

    @Test
    void whatARunAdjustedIsFixedWhoeverCarriedIt() {
        MeasuredMarks marks = new MeasuredMarks(GIVEN, known(HERE), Map.of("N", "T1"), List.of(), MeasuredMarks.NONE);
        assertThat(marks.fixed()).extracting(MeasuredMark::name).containsExactly("A", "N");
        assertThat(marks.find("N").orElseThrow().adjustedBy()).contains("T1");
    }

    @Test
    void onlyWhatIsTheVerySameIsTakenOver() {
        MeasuredMarks before = new MeasuredMarks(GIVEN, known(HERE), Map.of(), List.of(), MeasuredMarks.NONE);
        MeasuredMarks after = new MeasuredMarks(GIVEN, known(THERE), Map.of(), List.of(), before);
        assertThat(after.find("N").orElseThrow()).isSameAs(before.find("N").orElseThrow());
        assertThat(after.find("D").orElseThrow().position()).contains(THERE);
        MeasuredMarks adjusted = new MeasuredMarks(GIVEN, known(THERE), Map.of("N", "T1"), List.of(), after);
        assertThat(adjusted.find("N").orElseThrow().adjustedBy()).contains("T1");
        MeasuredMarks again = new MeasuredMarks(GIVEN, known(THERE), Map.of(), List.of(), adjusted);
        assertThat(again.find("N").orElseThrow().adjustedBy()).isEmpty();
    }

    @Test
    void whatCameFirstStandsFirstAndWhatWasTakenAwayIsGone() {
        KnownPositions known = known(HERE);
        known.put("Z", THERE);
        assertThat(known.keySet()).containsExactly("A", "L", "N", "D", "Z");
        known.remove("N");
        known.remove("Z");
        assertThat(known.keySet()).containsExactly("A", "L", "D");
        known.put("Z", HERE);
        assertThat(known).containsEntry("Z", HERE).doesNotContainKey("N");
    }
}
