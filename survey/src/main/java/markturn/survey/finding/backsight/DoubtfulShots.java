package markturn.survey.finding.backsight;

import java.util.List;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredSetup.Look;

/** The single shots between the last look back that agreed and one that did not. */
public final class DoubtfulShots {
    private DoubtfulShots() {}

    /** Their places in the setup's list of readings, ascending; empty without a second look back. */
    public static List<Integer> places(MeasuredSetup setup) {
        List<Look> looks = setup.looks();
        if (looks.isEmpty()) {
            return List.of();
        }
        int to = looks.get(looks.size() - 1).place();
        int from = looks.size() > 1 ? looks.get(looks.size() - 2).place() : lastBacksight(setup, to);
        return setup.booked().readings().stream()
                .filter(b -> b.place() > from && b.place() < to)
                .filter(b -> b.reading().set().isEmpty())
                .filter(b -> setup.looks().stream()
                        .noneMatch(l -> l.target().equals(b.reading().target())))
                .map(BookedReading::place)
                .toList();
    }

    private static int lastBacksight(MeasuredSetup setup, int before) {
        return setup.booked().readings().stream()
                .filter(b -> b.place() < before && b.reading().role() == Reading.Role.BACKSIGHT)
                .mapToInt(BookedReading::place)
                .max()
                .orElse(-1);
    }
}
