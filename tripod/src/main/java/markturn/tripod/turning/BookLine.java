package markturn.tripod.turning;

import java.util.List;
import java.util.Locale;
import markturn.survey.job.Reading;
import markturn.tripod.view.SeverityShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.View;

/**
 * A booked line.
 *
 * @param place where it stands in its setup, from 0
 * @param section under which heading it belongs, such as {@code Set 2}
 * @param circle as it was read; zenith and slope likewise, empty where not read
 * @param margin what the line is worth, in short phrases
 * @param judged what is out of its limit, in words
 */
record BookLine(
        String key,
        int place,
        String section,
        Reading reading,
        String circle,
        String zenith,
        String slope,
        List<String> margin,
        List<SeverityShown> judged,
        boolean unproved,
        String correct)
        implements View.Line {
    @Override
    public Sheet sheet() {
        Sheet sheet = Sheet.empty()
                .with("key", key)
                .with("place", place)
                .with("section", section)
                .with("set", set())
                .with("standing", reading.stands() ? "ink" : "struck")
                .with("face", reading.face() == Reading.Face.LEFT ? "L" : "R")
                .with("target", reading.target())
                .with("role", reading.role().name().toLowerCase(Locale.ROOT) + (unproved ? ", unproved" : ""))
                .with("circle", circle)
                .with("zenith", zenith)
                .with("slope", slope)
                .withWords("margin", margin)
                .with("judged", judged);
        if (reading.stands() && !set().isEmpty()) {
            sheet.with("strikeSet", "Strike out the whole set " + set());
        }
        return reading.stands()
                ? sheet.with("stands", acts())
                : sheet.with("struck", "struck out: " + reading.struck().orElseThrow());
    }

    /** What can be done with a line that stands, as it is called to who cannot see it. */
    private Sheet acts() {
        String face = reading.face().name().toLowerCase(Locale.ROOT);
        return Sheet.empty()
                .with("strike", "Strike out " + reading.target() + " face " + face + " " + circle)
                .with("correct", "Correct what was noted with " + reading.target() + " " + circle)
                .with("address", correct);
    }

    /** The number of its set; empty outside the sets. */
    private String set() {
        return reading.set().isPresent() && section.startsWith("Set ")
                ? String.valueOf(reading.set().getAsInt())
                : "";
    }
}
