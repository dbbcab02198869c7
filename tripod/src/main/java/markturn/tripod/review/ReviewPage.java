package markturn.tripod.review;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.Survey;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;

/**
 * The review of a setup: its verdict, what proves it, what is left to answer; marks that fix or orient it can be switched off to look
 * what if.
 *
 * @param setup its name; the book has it
 */
public record ReviewPage(String setup) implements Page {
    @Override
    public String name() {
        return "review/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.REVIEW;
    }

    @Override
    public String title() {
        return "Review of " + setup;
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        return new ReviewSheet(book, in(book)).view();
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        ReviewEntries entries = new ReviewEntries(book, occasion);
        return switch (act) {
            case "accept" -> Optional.of(entries.accept(in(book), typed));
            case "reopen" -> Optional.of(entries.reopen(setup));
            case "answer" -> Optional.of(entries.answer(typed));
            case "leave-out" ->
                tested(book)
                        .map(tested -> entries.leaveOut(
                                in(book),
                                new Setup.ByResection(switched(typed), solvesScale(typed)),
                                typed.getOrDefault("reason", "")));
            default -> Optional.empty();
        };
    }

    /**
     * The cells of the page with other marks taking part ({@code what-if}), and the ellipse with one more mark ({@code one-more}). Nothing
     * is booked.
     */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return switch (question) {
            case "what-if" -> tested(book).map(tested -> whatIf(book, asked));
            case "one-more" -> tested(book).map(tested -> OneMore.of(book, tested, asked));
            default -> Optional.empty();
        };
    }

    private Shown whatIf(BookedJob book, Map<String, String> asked) {
        return ResectionSheet.of(book, Survey.whatIf(book.result(), setup, switched(asked), solvesScale(asked)));
    }

    /** A setup of which the marks that orient it are tested against each other. */
    private Optional<MeasuredSetup> tested(BookedJob book) {
        return Optional.of(book.result().measured().setup(setup))
                .filter(measured -> measured.resected().isPresent());
    }

    /** What is switched off: {@code target:part}, one a line. */
    private static List<Setup.LeftOut> switched(Map<String, String> typed) {
        return ResectionSheet.switched(List.of(typed.getOrDefault("off", "").split("\n")));
    }

    private static boolean solvesScale(Map<String, String> typed) {
        return typed.getOrDefault("scale", "").equals("true");
    }

    private Setup in(BookedJob book) {
        return book.job().setup(setup).orElseThrow();
    }
}
