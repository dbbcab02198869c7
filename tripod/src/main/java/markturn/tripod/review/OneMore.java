package markturn.tripod.review;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.Survey;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What one more mark would do to the ellipse of a free station: one of the job's, or any place of the drawing. */
final class OneMore {
    private static final double LARGEST_PLACE = 1e5;

    private OneMore() {}

    /** @param asked the name of a {@code mark}, or {@code x} and {@code y} in units of the drawing */
    static Shown of(BookedJob book, MeasuredSetup setup, Map<String, String> asked) {
        if (setup.station().isEmpty() || !setup.setup().isFree()) {
            return words("There is no position yet.");
        }
        Form form = new Form(asked, book.job().units());
        Display show = new Display(book.job().units());
        String mark = form.text("mark");
        Optional<Position> at =
                book.result().measured().mark(book.job().trueName(mark)).flatMap(MeasuredMark::position);
        double[] place = at.map(p -> new double[] {p.northing(), p.easting()})
                .orElseGet(() -> ResectionDrawing.placeAt(setup, show, place(form, "x"), place(form, "y")));
        Optional<Covariance> more = Survey.withOneMore(book.result(), setup.name(), place[0], place[1]);
        if (more.isEmpty()) {
            return words("A mark there would not help.");
        }
        Covariance.Ellipse before = setup.station().get().plan().ellipse();
        Covariance.Ellipse after = more.get().ellipse();
        Words words = new Words(book.job().units());
        String sentence = Sentence.of(
                "With one more mark %s the ellipse would be %s by %s instead of %s by %s.",
                at.isPresent() ? "at " + mark : "there",
                words.difference(after.semiMajor()),
                words.difference(after.semiMinor()),
                words.difference(before.semiMajor()),
                words.difference(before.semiMinor()));
        return () -> Sheet.empty().with("words", sentence).with("drawing", ResectionDrawing.of(setup, show, more));
    }

    private static double place(Form form, String field) {
        OptionalDouble typed = form.number(field, -LARGEST_PLACE, LARGEST_PLACE, "a place of the drawing");
        return typed.orElse(0);
    }

    private static Shown words(String sentence) {
        return () -> Sheet.empty().with("words", sentence);
    }
}
