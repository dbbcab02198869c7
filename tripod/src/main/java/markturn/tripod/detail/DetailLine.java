package markturn.tripod.detail;

import java.util.Locale;
import markturn.survey.job.Reading;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.View;

/**
 * A booked shot.
 *
 * @param at where it stands in its setup, from 0
 * @param code of its mark; empty for none
 * @param line number of the line that its mark lies on; empty for none
 * @param circle as it was read; zenith, slope and height likewise, empty where there is none
 * @param place its coordinates in words, or why there are none
 * @param again what a second sight showed; empty for a first
 * @param decidable whether keeping, meaning or replacing is to be decided
 * @param correct where what was noted with it is corrected
 */
record DetailLine(
        String key,
        int at,
        Reading reading,
        String code,
        String line,
        String circle,
        String zenith,
        String slope,
        String height,
        String place,
        String again,
        boolean decidable,
        String correct)
        implements View.Line {
    @Override
    public Sheet sheet() {
        String face = reading.face() == Reading.Face.RIGHT ? ", face right" : "";
        Sheet sheet = Sheet.empty()
                .with("key", key)
                .with("place", at)
                .with("standing", reading.stands() ? "ink" : "struck")
                .with("target", reading.target())
                .with("role", reading.role().name().toLowerCase(Locale.ROOT) + face)
                .with("circle", circle)
                .with("zenith", zenith)
                .with("slope", slope)
                .with("height", height)
                .with("where", place)
                .with("again", again);
        if (reading.stands()) {
            sheet.with("acts", acts());
        }
        return decidable ? sheet.with("why", "Why, for " + reading.target()) : sheet;
    }

    private Sheet acts() {
        Sheet acts = Sheet.empty()
                .with("label", "What can be done with " + reading.target())
                .with("correct", correct)
                .with("key", key);
        return code.isEmpty()
                ? acts
                : acts.with(
                        "joins",
                        Sheet.empty()
                                .with("mark", reading.target())
                                .with("line", line)
                                .with("label", "Line of " + reading.target()));
    }
}
