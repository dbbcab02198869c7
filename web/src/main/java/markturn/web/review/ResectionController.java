package markturn.web.review;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.Survey;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Setup;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.review.ResectionDrawing;
import markturn.tripod.review.ResectionSheet;
import markturn.tripod.review.ReviewEntries;
import markturn.tripod.view.Sheet;
import markturn.web.act.Acts;
import markturn.web.frame.NotHere;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The switches of a resection's review: what if a mark, or a part of it, were left out; what if there were one more. */
@Controller
class ResectionController {
    private final Acts acts;
    private final ReviewController reviews;

    ResectionController(Acts acts, ReviewController reviews) {
        this.acts = acts;
        this.reviews = reviews;
    }

    /** A setup of which the marks that orient it are tested against each other. */
    private static MeasuredSetup tested(BookedJob book, String name) {
        return book.job()
                .setup(name)
                .map(setup -> book.result().measured().setup(setup.name()))
                .filter(setup -> setup.resected().isPresent())
                .orElseThrow(NotHere::new);
    }

    /** The cells of the page with other marks taking part. Nothing is booked. */
    @GetMapping("/job/{id}/review/{name}/what-if")
    ResponseEntity<String> whatIf(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam(required = false) List<String> off,
            @RequestParam(defaultValue = "false") boolean scale,
            Principal who) {
        BookedJob book = acts.book(id, who);
        tested(book, name);
        MeasuredSetup now =
                Survey.whatIf(book.result(), name, ResectionSheet.switched(off == null ? List.of() : off), scale);
        return json(ResectionSheet.of(book, now).json());
    }

    /** The ellipse with one more mark: one of the job's, or any place of the drawing. */
    @GetMapping("/job/{id}/review/{name}/one-more")
    ResponseEntity<String> oneMore(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam(defaultValue = "") String mark,
            @RequestParam(defaultValue = "0") double x,
            @RequestParam(defaultValue = "0") double y,
            Principal who) {
        BookedJob book = acts.book(id, who);
        MeasuredSetup setup = tested(book, name);
        if (setup.station().isEmpty() || !setup.setup().isFree()) {
            return json(Sheet.empty().with("words", "There is no position yet.").json());
        }
        Display show = new Display(book.job().units());
        Optional<Position> at =
                book.result().measured().mark(book.job().trueName(mark)).flatMap(MeasuredMark::position);
        double[] place = at.map(p -> new double[] {p.northing(), p.easting()})
                .orElseGet(() -> ResectionDrawing.placeAt(setup, show, x, y));
        Optional<Covariance> more = Survey.withOneMore(book.result(), name, place[0], place[1]);
        if (more.isEmpty()) {
            return json(
                    Sheet.empty().with("words", "A mark there would not help.").json());
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
        return json(Sheet.empty()
                .with("words", sentence)
                .with("drawing", ResectionDrawing.of(setup, show, more))
                .json());
    }

    private static ResponseEntity<String> json(String text) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(text);
    }

    /** Books what is left out, with its reason. */
    @PostMapping("/job/{id}/review/{name}/leave-out")
    String leaveOut(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam(required = false) List<String> off,
            @RequestParam(defaultValue = "false") boolean scale,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        tested(acts.book(id, who), name);
        Setup.ByResection by = new Setup.ByResection(ResectionSheet.switched(off == null ? List.of() : off), scale);
        return reviews.answer(
                id,
                name,
                typed,
                model,
                who,
                (book, occasion) -> book.job()
                        .setup(name)
                        .map(setup -> new ReviewEntries(book, occasion)
                                .leaveOut(setup, by, typed.getOrDefault("reason", ""))));
    }

    /** Known marks that the station has not sighted. */
    static List<String> unsighted(BookedJob book, Setup setup) {
        List<String> sighted =
                setup.orientation().sights().stream().map(book.job()::trueName).toList();
        return book.result().measured().marks().stream()
                .filter(m -> m.mark().given().isPresent() && m.position().isPresent())
                .map(MeasuredMark::name)
                .filter(name -> !sighted.contains(name))
                .toList();
    }
}
