package markturn.web.job;

import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.web.people.People;

/**
 * A job as the list shows it, in words.
 *
 * @param state how it stands
 * @param trouble whether stops are open
 * @param worked when it was last worked on, and by whom
 * @param along on whose device it is, and when that was last heard; empty where on none
 */
public record JobRow(
        String id,
        String title,
        String place,
        String state,
        boolean trouble,
        String worked,
        String along,
        Stamp stamp) {
    static JobRow of(JobTable.Row row, String along, People people, Display show) {
        boolean known = !row.isUncounted();
        return new JobRow(
                row.id(),
                row.title(),
                known ? row.place() : "",
                known ? state(row) : "not counted yet",
                known && row.openStops() > 0,
                known
                        ? show.dayAndTime(row.lastWorkedAt()) + ", " + people.shownName(row.lastWorkedBy())
                        : show.dayAndTime(row.openedAt()),
                along,
                Stamp.read(known ? row.picture() : ""));
    }

    private static String state(JobTable.Row row) {
        String work = row.setups() == 0
                ? "nothing set up yet"
                : row.openStops() > 0 ? Sentence.count(row.openStops(), "stop open", "stops open") : "no stop open";
        String proved = row.positions() == 0
                ? ""
                : "; proved: %d of %s".formatted(row.proved(), Sentence.count(row.positions(), "mark", "marks"));
        return (row.practice() ? "practice; " : "") + (row.archived() ? "archived; " : "") + work + proved;
    }
}
