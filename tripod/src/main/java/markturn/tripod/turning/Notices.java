package markturn.tripod.turning;

import java.util.Optional;
import markturn.fieldbook.Pen;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * What stands above the lines because it comes before anything else.
 *
 * @param heldBy who writes here with another device
 * @param unproved whether lines are booked and nothing has been compared
 * @param closingDue how long ago the backsight was sighted, where that is too long; else empty
 * @param closing where the closing sight is taken
 * @param mismatch how the circle differs after the break, in words; empty where it does not
 * @param doubtful how many shots lie between the last good look back and a bad one
 */
record Notices(Optional<Pen> heldBy, boolean unproved, String closingDue, String closing, String mismatch, int doubtful)
        implements Shown {
    @Override
    public Sheet sheet() {
        Sheet sheet = Sheet.empty()
                .with(
                        "held",
                        heldBy.map(
                                        pen -> pen.by()
                                                + " writes at this setup with another device. What is typed here is not booked until this device takes the pen.")
                                .orElse(""))
                .with("unproved", unproved)
                .with(
                        "mismatch",
                        mismatch.isEmpty()
                                ? ""
                                : mismatch
                                        + " This half-set cannot go on: what was read before the break stands by itself.");
        if (!closingDue.isEmpty()) {
            sheet.with(
                    "closing",
                    Sheet.empty()
                            .with("words", closingDue + ": sight it again.")
                            .with("address", closing));
        }
        return doubtful == 0
                ? sheet
                : sheet.with(
                        "doubtful",
                        Sentence.count(doubtful, "shot lies", "shots lie")
                                + " between the last closing sight that agreed and the one that did not. To keep them as they are, accept the finding with a reason.");
    }
}
