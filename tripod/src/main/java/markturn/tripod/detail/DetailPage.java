package markturn.tripod.detail;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Joining;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/**
 * What the page of detail shows: codes and poles to choose from, the shot in hand, the last shots in ink, the sketch.
 *
 * @param earlier how many lines before them are not shown
 * @param waiting marks that another setup sighted and that one more sight would place
 */
record DetailPage(
        MeasuredSetup setup,
        List<CodeChoice> codes,
        List<Pole> poles,
        Live live,
        List<BookLine> lines,
        int earlier,
        Sketch sketch,
        String singleFace,
        boolean oriented,
        int located,
        List<Unfinished> unfinished,
        List<String> waiting) {
    /** A code to choose; {@code points} is how many marks carry it. */
    record CodeChoice(String name, String words, String path, boolean line, boolean chosen, long points) {}

    /** A pole, or the sight without one; its height is what it was last used with. */
    record Pole(String reflector, String height, boolean chosen) {}

    /**
     * The shot in hand.
     *
     * @param step what of a special sight is wanted now, in words; empty for a plain shot
     * @param angleOnly whether no distance is wanted
     * @param openLines the lines of the code that can be gone on with
     */
    record Live(
            String name,
            String code,
            Reading.Face face,
            String reflector,
            String height,
            boolean built,
            Optional<Joining> joining,
            List<Integer> openLines,
            String step,
            boolean angleOnly,
            String sentence) {}

    /**
     * A booked shot.
     *
     * @param line number of the line that its mark lies on; empty for none
     * @param place its coordinates in words, or why there are none
     * @param again what a second sight showed; empty for a first
     * @param decidable whether keeping, meaning or replacing is to be decided
     */
    record BookLine(
            String key,
            Reading reading,
            String code,
            String line,
            String circle,
            String zenith,
            String slope,
            String height,
            String place,
            String again,
            boolean decidable) {}

    /** A special sight of which something is still to be sighted. */
    record Unfinished(String name, String what, int left) {}
}
