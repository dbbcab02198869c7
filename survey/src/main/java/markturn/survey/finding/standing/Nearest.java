package markturn.survey.finding.standing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredMarks;
import markturn.survey.result.Position;

/** The marks of a job that lie nearest to a place, found without looking at all of them: a file may have brought in a hundred thousand. */
final class Nearest {
    private Nearest() {}

    /**
     * Finds some.
     *
     * @param many how many at most, one at least
     * @param wanted which are wanted, of those that have a position
     * @return the nearest first, of equally near ones the one that the job lists first
     */
    static List<MeasuredMark> of(MeasuredMarks marks, Position from, int many, Predicate<MeasuredMark> wanted) {
        List<MeasuredMark> found = new ArrayList<>();
        for (MeasuredMark mark : marks.measured()) {
            if (mark.position().isPresent() && wanted.test(mark)) {
                found.add(mark);
            }
        }
        Comparator<MeasuredMark> nearer = Comparator.comparingDouble(
                mark -> from.distanceTo(mark.position().orElseThrow()));
        double known = found.size() < many
                ? Double.MAX_VALUE
                : from.distanceTo(found.stream()
                        .sorted(nearer)
                        .toList()
                        .get(many - 1)
                        .position()
                        .orElseThrow());
        List<MeasuredMark> given = new ArrayList<>();
        marks.givenAround(from.northing(), from.easting(), known, (mark, radius) -> {
            if (marks.isAsGiven(mark) && wanted.test(mark)) {
                given.add(mark);
                given.sort(nearer);
            }
            return given.size() < many
                    ? radius
                    : Math.min(
                            radius,
                            from.distanceTo(given.get(many - 1).position().orElseThrow()));
        });
        found.addAll(given);
        return found.stream()
                .sorted(nearer.thenComparingInt(mark -> marks.placeOf(mark.name())))
                .limit(many)
                .toList();
    }
}
