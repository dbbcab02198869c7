package markturn.tripod.review;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Decision;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The reviews of all setups, and every finding of the job. */
public final class ReviewListPage implements Page {
    @Override
    public String name() {
        return "review/list";
    }

    @Override
    public WorkStep step() {
        return WorkStep.REVIEW;
    }

    @Override
    public String title() {
        return "Review";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        Address at = Address.ofJob(book.jobId());
        Display show = new Display(book.job().units());
        TableShown setups = TableShown.headed("Setup", "Station", "State", "#Open stops", "Accepted");
        book.job().setups().forEach(setup -> setups.with(row(book, setup, show, at)));
        return View.of(book.revision())
                .with("setups", setups)
                .with("none", () -> Sheet.empty().with("setUp", setups.isEmpty() ? at.setUp() : ""))
                .with("findings", AnswerableFinding.of(book.result().findings(), book))
                .withPlaces("way", WorkProgress.through(book).at(step()));
    }

    private static Row row(BookedJob book, Setup setup, Display show, Address at) {
        String name = setup.name();
        long stops = book.result().findingsOf(name).stream()
                .filter(Finding::isOpenStop)
                .count();
        return Row.of(
                name,
                Cell.link(name, at.review(name)),
                Cell.of(setup.station()),
                Cell.of(book.unproved().contains(name) ? "unproved" : "proved"),
                Cell.number(String.valueOf(stops)),
                Cell.of(Proof.acceptance(book.job(), setup)
                        .map(decision -> acceptedBy(decision, show))
                        .orElse("")));
    }

    /** Who accepted it, when and how. */
    private static String acceptedBy(Decision decision, Display show) {
        return Stream.of(
                        Optional.of(decision.by()),
                        decision.at().map(show::dayAndTime),
                        decision.after().map(String::valueOf))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(", "));
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return act.equals("answer") ? Optional.of(new ReviewEntries(book, occasion).answer(typed)) : Optional.empty();
    }
}
