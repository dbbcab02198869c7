package markturn.survey.finding.judgement;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.angle.Angles;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.MeasuredSetup;

/** Half-sets that were closed on their first target, or taken up again on it after a break: how far the circle had moved. */
public final class HalfSets {
    /** One closure: the later pointing less the first, radians. */
    public record Closure(String target, int set, double value) {}

    private HalfSets() {}

    public static List<Closure> closures(MeasuredSetup setup) {
        List<Closure> closures = new ArrayList<>();
        List<BookedReading> readings = setup.booked().readings().stream()
                .filter(b -> b.reading().set().isPresent())
                .toList();
        for (int i = 0; i < readings.size(); i++) {
            BookedReading first = readings.get(i);
            boolean opens = readings.subList(0, i).stream().noneMatch(b -> sameHalf(b, first));
            if (opens) {
                last(readings.subList(i + 1, readings.size()), first)
                        .ifPresent(again -> closures.add(new Closure(
                                first.reading().target(),
                                first.circle(),
                                Angles.shortWay(again.reading().circle().radians()
                                        - first.reading().circle().radians()))));
            }
        }
        return closures;
    }

    private static java.util.Optional<BookedReading> last(List<BookedReading> later, BookedReading first) {
        return later.stream()
                .filter(b -> sameHalf(b, first)
                        && b.reading().target().equals(first.reading().target()))
                .reduce((one, other) -> other);
    }

    private static boolean sameHalf(BookedReading one, BookedReading other) {
        return one.circle() == other.circle()
                && one.reading().face() == other.reading().face();
    }
}
