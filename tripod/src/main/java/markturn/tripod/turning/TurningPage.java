package markturn.tripod.turning;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.typed.Understood;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;

/**
 * The page of a setup's sets.
 *
 * @param setup its name; the book has it
 */
public record TurningPage(String setup) implements Page {
    @Override
    public String name() {
        return "turning/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.TURN_THE_SETS;
    }

    @Override
    public String title() {
        return setup + ", turn the sets";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        Setup in = in(book);
        return TurningSheet.asked(asked, book, in, occasion.device()).view(book, in, occasion.now());
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return act.equals("measure")
                ? Optional.of(new Measuring(book, setup, occasion).outcome(typed))
                : new TurningEntries(book, in(book), occasion).of(act, typed);
    }

    @Override
    public String unnamed(String act) {
        return act.equals("reading") ? "circle" : "message";
    }

    /** Where the line in hand had been called for out of the order, the next of its kind is in hand. */
    @Override
    public View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        Setup in = in(longer);
        List<Reading> readings = in.readings();
        Optional<Aside> next = typed.getOrDefault("aside", "").isEmpty() || readings.isEmpty()
                ? Optional.empty()
                : Aside.following(longer.job(), readings.get(readings.size() - 1));
        return TurningSheet.inOrder(occasion.device(), typed.containsKey("whole"))
                .with(next)
                .view(longer, in, occasion.now());
    }

    /** The marks that may be sighted ({@code offered}), what the station shows, to be typed by hand ({@code display}), and what is typed as it is understood
     * ({@code understood}). */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return switch (question) {
            case "offered" -> Optional.of(() -> Sheet.empty().withWords("names", Offered.marks(book.job(), in(book))));
            case "display" -> Optional.of(() -> new Measuring(book, setup, occasion).display(asked));
            case "understood" -> Optional.of(Understood.of(asked, book.job().units()));
            default -> Optional.empty();
        };
    }

    private Setup in(BookedJob book) {
        return book.job().setup(setup).orElseThrow();
    }
}
