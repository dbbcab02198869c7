package markturn.tripod.review;

import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Basis;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The review of a setup: judgement first, numbers beneath. */
final class ReviewSheet {
    private static final String ACT = "act";
    private static final String QUIET = "quiet-act";

    private final BookedJob book;
    private final Setup setup;
    private final MeasuredSetup measured;
    private final Display show;
    private final Address at;
    private final Optional<Decision> accepted;

    ReviewSheet(BookedJob book, Setup setup) {
        this.book = book;
        this.setup = setup;
        this.measured = book.result().measured().setup(setup.name());
        this.show = new Display(book.job().units());
        this.at = Address.ofJob(book.jobId());
        this.accepted = Proof.acceptance(book.job(), setup);
    }

    View view() {
        boolean free = setup.isFree();
        double scale = GridScale.inForce(book.job()).orElse(1);
        BacksightTable backsights = new BacksightTable(book, measured, show);
        View view = View.of(book.revision())
                .with("head", this::head)
                .with(
                        "leftOut",
                        () -> Sheet.empty().with("words", leftOutBefore().orElse("")))
                .with("tested", tested())
                .with("checks", checks())
                .with("findings", AnswerableFinding.of(book.result().findingsOf(setup.name()), book))
                .with(
                        "clear",
                        () -> Sheet.empty()
                                .with(
                                        "none",
                                        book.result().findingsOf(setup.name()).isEmpty()))
                .withPlaces("way", WorkProgress.through(book).at(WorkStep.REVIEW));
        if (!free) {
            view.with("backsights", backsights.table())
                    .with("backsightWords", () -> Sheet.empty().with("words", backsights.words()))
                    .with("abstract", new AbstractTable(measured, show, scale).table())
                    .with("residuals", ResidualDrawing.of(book.result(), measured));
        }
        return view;
    }

    private Sheet head() {
        Verdict verdict = Verdict.of(book, measured);
        boolean tests = setup.isFree();
        Optional<String> again = tests ? suspect() : Optional.empty();
        boolean clear = verdict.clear();
        return Sheet.empty()
                .with(
                        "words",
                        tests
                                ? setup.name() + ": " + setup.station() + ", free station"
                                : setup.name() + " on " + setup.station())
                .with("verdict", tests ? "" : verdict.sentence())
                .with("tested", tests)
                .with("lapsed", lapsed())
                .with("accepted", accepted.map(this::acceptance).orElse(Sheet.empty()))
                .with("next", accepted.isPresent() || tests ? "" : "Unproved. " + verdict.next())
                .with("again", again.map(this::again).orElse(Sheet.empty()))
                .with(
                        "accept",
                        accepted.isPresent()
                                ? Sheet.empty()
                                : Sheet.empty()
                                        .with("weight", clear && again.isEmpty() ? ACT : QUIET)
                                        .with(
                                                "basis",
                                                Basis.of(book.job(), setup).text()))
                .with("reopen", accepted.isPresent())
                .with("correct", at.correct(setup.name()))
                .with(
                        "sets",
                        Sheet.empty()
                                .with("address", at.turning(setup.name()))
                                .with("weight", tests || clear || accepted.isPresent() ? QUIET : ACT));
    }

    private Sheet again(String mark) {
        return Sheet.empty()
                .with("words", "Point at " + mark + " again")
                .with("address", at.sight(setup.name(), Reading.Role.BACKSIGHT, mark));
    }

    /** The mark that does not fit, where one is suspected. */
    private Optional<String> suspect() {
        return measured.resected()
                .flatMap(Resected::suspicion)
                .map(s -> s.targets().get(0));
    }

    private String lapsed() {
        return Proof.lapsed(book.job(), setup)
                .map(lapsed -> Sentence.of(
                        "It was accepted by %s%s. Since then %s changed: it is open again.",
                        lapsed.acceptance().by(), when(lapsed.acceptance()), lapsed.changed()))
                .orElse("");
    }

    private Sheet acceptance(Decision decision) {
        return Sheet.empty()
                .with("by", "Accepted by " + decision.by())
                .with(
                        "when",
                        when(decision)
                                + decision.after().map(how -> ", " + how).orElse("") + "."
                                + (book.unproved().contains(setup.name())
                                        ? " Still unproved: a stop is open, or it rests on a setup that is unproved."
                                        : ""));
    }

    private String when(Decision decision) {
        return decision.at().map(time -> ", " + show.dayAndTime(time)).orElse("");
    }

    private Shown tested() {
        return measured.resected().isPresent()
                ? new TestedMarks(
                        book, measured, accepted.isPresent(), leftOutBefore().orElse(""), show)
                : Sheet::empty;
    }

    private Shown checks() {
        List<CheckRow> rows = CheckRow.of(book, measured);
        return CheckRow.table(rows, show);
    }

    /** What has changed since marks were left out of a setup, so that the reason may hold no longer; empty where nothing is left out, or has. */
    private Optional<String> leftOutBefore() {
        Job job = book.job();
        return job.decisions().stream()
                .filter(d -> d.what().equals(Decision.LEAVE_OUT)
                        && d.concerning("setup").equals(setup.name())
                        && !setup.orientation().leaveOut().isEmpty())
                .reduce((earlier, later) -> later)
                .flatMap(d -> Basis.of(d)
                        .map(then -> then.changed(Basis.of(job, setup)))
                        .filter(changed -> !changed.isEmpty())
                        .map(changed -> Sentence.of(
                                "Since %s left this out (%s), %s changed: look whether the reason still holds.",
                                d.by(), d.reason(), changed)));
    }
}
