package markturn.tripod.review;

import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.tripod.view.Address;
import markturn.tripod.view.FindingShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** A finding that can be answered where it stands: one that has no answer, and is more than to be read. */
record AnswerableFinding(Finding finding, BookedJob book) implements Shown {
    /** Those of a book, in their order. */
    static List<AnswerableFinding> of(List<Finding> findings, BookedJob book) {
        return findings.stream()
                .map(finding -> new AnswerableFinding(finding, book))
                .toList();
    }

    @Override
    public Sheet sheet() {
        Sheet shown = new FindingShown(finding, Address.ofJob(book.jobId())).sheet();
        boolean waits = finding.answer().isEmpty() && finding.severity() != Finding.Severity.NOTE;
        return waits ? shown.with("answerable", answerable()) : shown;
    }

    /** By what an answer knows it again. */
    private Sheet answerable() {
        return Sheet.empty()
                .with("code", finding.code().key())
                .with("setup", finding.setup())
                .with("target", finding.target())
                .with("value", ReviewEntries.shownValue(finding, book.job()));
    }
}
