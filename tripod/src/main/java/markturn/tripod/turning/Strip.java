package markturn.tripod.turning;

import markturn.fieldbook.BookedJob;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The thin strip above the sheet: where the instrument stands, what is left, how long ago the backsight was sighted.
 *
 * @param left how many pointings of the sets are left
 */
record Strip(BookedJob book, Setup setup, int left, int sets, String age, boolean closingDue) implements Shown {
    @Override
    public Sheet sheet() {
        Address at = Address.ofJob(book.jobId());
        return Sheet.empty()
                .with("setup", setup.name())
                .with("station", setup.station())
                .with(
                        "left",
                        left == 0
                                ? "all sets turned"
                                : Sentence.count(left, "pointing", "pointings") + " left of "
                                        + Sentence.count(sets, "set", "sets"))
                .with("age", age)
                .with("due", closingDue ? "due" : "")
                .with("stored", setup.readings().size() + " stored")
                .with("state", book.unproved().contains(setup.name()) ? "unproved" : "accepted")
                .with("correct", at.correct(setup.name()))
                .with("form", at.turning(setup.name()) + "/form")
                .with("review", at.review(setup.name()));
    }
}
