package markturn.survey.finding.standing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Predicate;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredMarks;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;

/** The nearest marks, beside sorting all of them. Source: the definition. */
class NearestTest {
    private static final Predicate<MeasuredMark> CONTROL = mark -> mark.mark().kind() == Mark.Kind.CONTROL;

    private static Position at(double northing, double easting) {
        return Position.held(new Mark.Coordinates(northing, easting, OptionalDouble.empty()));
    }

    @Test
    void areThoseThatSortingAllOfThemPutsFirst() {
        Random random = new Random(3);
        for (int round = 0; round < 20; round++) {
            List<Mark> marks = new ArrayList<>();
            for (int i = 0; i < 300; i++) {
                // On a grid, so that many are equally near.
                Mark mark = Mark.control(
                        "M" + i, 10 * random.nextInt(12), 10 * random.nextInt(12), OptionalDouble.empty(), "");
                marks.add(i % 3 == 0 ? Mark.named("M" + i, Mark.Kind.NEW) : mark);
            }
            Job job = Jobs.with(List.of())
                    .withMarks(marks)
                    .plusMarks(Jobs.with(List.of()).marks());
            MeasuredMarks measured = Survey.compute(job).measured().marks();
            Position from = at(10 * random.nextInt(12), 10 * random.nextInt(12));
            for (int many : new int[] {1, 2, 7, 500}) {
                List<String> sorted = measured.stream()
                        .filter(mark -> mark.position().isPresent() && CONTROL.test(mark))
                        .sorted(Comparator.comparingDouble(
                                mark -> from.distanceTo(mark.position().orElseThrow())))
                        .limit(many)
                        .map(MeasuredMark::name)
                        .toList();
                assertThat(Nearest.of(measured, from, many, CONTROL))
                        .extracting(MeasuredMark::name)
                        .containsExactlyElementsOf(sorted);
            }
        }
    }
}
