package markturn.tripod.detail;

import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Setup;
import markturn.tripod.page.Page;
import markturn.tripod.review.SecondSightEntries;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.typed.Understood;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;

/**
 * The page of the detail shot from a setup.
 *
 * @param setup its name; the book has it
 */
public record DetailPage(String setup) implements Page {
    private static final String SHOT = "shot";
    private static final String MEASURE = "measure";

    @Override
    public String name() {
        return "detail/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.DETAIL;
    }

    @Override
    public String title() {
        return setup + ", detail";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        return new DetailSheet(book, setup, Choice.of(asked, book.job(), in(book))).view();
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return switch (act) {
            case "second-sight" -> new SecondSightEntries(book, occasion).decide(typed);
            case MEASURE -> Optional.of(new MeasuredShot(book, setup, occasion).outcome(typed));
            default -> new DetailEntries(book, in(book), occasion).of(act, typed);
        };
    }

    @Override
    public String unnamed(String act) {
        return act.equals(SHOT) ? "circle" : "message";
    }

    @Override
    public View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        View view = view(longer, occasion, DetailEntries.next(act.equals(MEASURE) ? SHOT : act, typed));
        if (act.equals(SHOT)) {
            NearTwin.warning(longer, typed.get("name")).ifPresent(view::saying);
        }
        return view;
    }

    /** What is typed as it is understood ({@code understood}). */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return question.equals("understood")
                ? Optional.of(Understood.of(asked, book.job().units()))
                : Optional.empty();
    }

    private Setup in(BookedJob book) {
        return book.job().setup(setup).orElseThrow();
    }
}
