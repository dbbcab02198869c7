package markturn.survey.result;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeSet;
import markturn.survey.job.Mark;
import markturn.survey.job.Named;
import org.junit.jupiter.api.Test;

class GivenMarksTest {
    private static Mark at(String name, double northing, double easting) {
        return new Mark(
                name,
                Mark.Kind.CONTROL,
                Optional.of(new Mark.Coordinates(northing, easting, OptionalDouble.of(5))),
                Optional.empty(),
                "",
                Optional.empty(),
                "",
                Optional.empty());
    }

    /** A crowd, a line, a few far away, some on one spot: what a field of marks may look like. */
    private static List<Mark> strewn(Random random, int marks) {
        List<Mark> all = new ArrayList<>();
        for (int i = 0; i < marks; i++) {
            double north = i % 3 == 0 ? 1000 : 1000 + 50 * random.nextGaussian();
            double east = i % 50 == 0 ? 90_000 * random.nextDouble() : 5000 + 50 * random.nextGaussian();
            all.add(i % 10 == 0 ? at("M" + i, 1020, 5020) : at("M" + i, north, east));
        }
        return all;
    }

    // Source: looking at every mark.
    @Test
    void looksAtEveryMarkWithinReachAndAtNoOther() {
        Random random = new Random(3);
        List<Mark> marks = strewn(random, 400);
        List<Mark> named = Named.of(marks.subList(0, 300), Mark::name);
        GivenMarks given =
                GivenMarks.of(named, false).then(Named.plus(named, marks.subList(300, 400), Mark::name), false);
        for (int i = 0; i < 300; i++) {
            double north = 1000 + 80 * random.nextGaussian();
            double east = 5000 + 80 * random.nextGaussian();
            double radius = 200 * random.nextDouble() * random.nextDouble();
            TreeSet<String> expected = new TreeSet<>();
            for (Mark mark : marks) {
                Mark.Coordinates place = mark.given().orElseThrow();
                if (Math.hypot(place.northing() - north, place.easting() - east) <= radius) {
                    expected.add(mark.name());
                }
            }
            TreeSet<String> found = new TreeSet<>();
            given.around(north, east, radius, (mark, left) -> {
                found.add(mark.name());
                return left;
            });
            assertThat(found).isEqualTo(expected);
        }
    }

    @Test
    void aShrinkingReachEndsAtTheNearest() {
        Random random = new Random(4);
        List<Mark> marks = strewn(random, 500);
        GivenMarks given = GivenMarks.of(Named.of(marks, Mark::name), false);
        for (int i = 0; i < 200; i++) {
            double north = 1000 + 300 * random.nextGaussian();
            double east = 5000 + 300 * random.nextGaussian();
            double nearest = marks.stream()
                    .mapToDouble(mark -> Math.hypot(
                            mark.given().orElseThrow().northing() - north,
                            mark.given().orElseThrow().easting() - east))
                    .min()
                    .orElseThrow();
            double[] least = {1e9};
            int[] looked = {0};
            given.around(north, east, 1e9, (mark, left) -> {
                looked[0]++;
                Position at = mark.position().orElseThrow();
                least[0] = Math.min(left, Math.hypot(at.northing() - north, at.easting() - east));
                return least[0];
            });
            assertThat(least[0]).isEqualTo(nearest);
            assertThat(looked[0]).isLessThan(200);
        }
    }

    @Test
    void aJobThatGrewIsTheSameAsOneLaidOutAnew() {
        Random random = new Random(5);
        List<Mark> marks = Named.of(strewn(random, 50), Mark::name);
        GivenMarks given = GivenMarks.of(marks, false);
        for (int i = 0; i < 700; i++) {
            Mark more = i % 4 == 0 ? Mark.named("N" + i, Mark.Kind.NEW) : at("N" + i, 1000 + i, 5000);
            marks = Named.plus(marks, List.of(more), Mark::name);
            given = given.then(marks, false);
        }
        GivenMarks anew = GivenMarks.of(marks, false);
        assertThat(given.size()).isEqualTo(anew.size()).isEqualTo(750);
        for (int place = 0; place < 750; place++) {
            assertThat(given.listed(place)).isEqualTo(anew.listed(place));
        }
        // The list itself is the same as well, also where it is copied as a whole.
        assertThat(marks).isEqualTo(List.copyOf(marks)).hasSize(750);
        assertThat(new ArrayList<>(marks).get(749).name()).isEqualTo("N699");
        assertThat(new KnownPositions(given))
                .isEqualTo(new KnownPositions(anew))
                .hasSize(50 + 525);
        assertThat(given.placeOr("N8", -1)).isEqualTo(anew.placeOr("N8", -2));
        // A mark noted anew stands in another list: nothing of the old one is taken over.
        List<Mark> changed = new ArrayList<>(marks);
        changed.set(3, at("M3", 7, 8));
        assertThat(given.then(Named.of(changed, Mark::name), false).held("M3").northing())
                .isEqualTo(7);
        assertThat(given.then(marks, true).held("M3").elevation()).isEmpty();
    }

    @Test
    void whatIsFoundLiesOverWhatIsGiven() {
        GivenMarks given = GivenMarks.of(Named.of(List.of(at("A", 1, 2), at("B", 3, 4)), Mark::name), false);
        KnownPositions known = new KnownPositions(given);
        Position other = Position.held(new Mark.Coordinates(9, 9, OptionalDouble.empty()));
        known.put("B", other);
        known.put("C", other);
        assertThat(known).containsOnlyKeys("A", "B", "C").containsEntry("B", other);
        known.remove("C");
        known.remove("B");
        assertThat(known).containsOnlyKeys("A", "B").doesNotContainEntry("B", other);
        known.put("B", other);
        known.comesFrom("B", "S1");
        MeasuredMarks marks = new MeasuredMarks(given, known, Map.of(), List.of(), MeasuredMarks.NONE);
        assertThat(marks).extracting(MeasuredMark::name).containsExactly("A", "B");
        assertThat(marks.measured()).extracting(MeasuredMark::name).containsExactly("B");
        assertThat(marks.find("B").orElseThrow().from()).contains("S1");
        assertThat(marks.find("C")).isEmpty();
    }
}
