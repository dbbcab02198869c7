package markturn.tripod.page;

import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;

/**
 * A page of an act at the instrument: what it shows of a book, and what becomes of what is typed on it. It keeps nothing: whoever asks
 * brings the book and the occasion, so that a server and a phone without one answer alike.
 */
public interface Page {
    /** Which of the pages, as its template is named: {@code mark/page}, {@code review/list}. */
    String name();

    /** Where it stands in the order of the work. */
    WorkStep step();

    /** What it is called in the window. */
    String title();

    /** What it shows, as its address asks for it. */
    View view(BookedJob book, Occasion occasion, Map<String, String> asked);

    /** What an act makes of what was typed; empty where there is no such act, or where it cannot be done as the book stands. */
    Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed);

    /** What it shows after an act has become entries. */
    default View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        return view(longer, occasion, Map.of());
    }

    /** The field to say a refusal of an act under that names none. */
    default String unnamed(String act) {
        return "message";
    }

    /** What it says to a question that stores nothing; empty where there is no such question. */
    default Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return Optional.empty();
    }
}
