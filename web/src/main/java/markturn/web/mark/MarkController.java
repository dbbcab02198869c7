package markturn.web.mark;

import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.result.Moved;
import markturn.survey.show.Sentence;
import markturn.tripod.mark.FixEntries;
import markturn.tripod.mark.MarkEntries;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

@Controller
class MarkController {
    /** Of the control; the list of coordinates shows the rest. */
    private static final int MOST_SHOWN = 500;

    private final Acts acts;

    MarkController(Acts acts) {
        this.acts = acts;
    }

    @GetMapping("/job/{id}/mark")
    String grid(@PathVariable String id, Model model, Principal who) {
        return page(acts.book(id, who), model, Map.of(), Map.of());
    }

    private static String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.CONTROL_MARKS);
        model.addAttribute(
                "control",
                book.job().marks().stream()
                        .filter(m -> m.given().isPresent() && m.kind() == Mark.Kind.CONTROL)
                        .limit(MOST_SHOWN)
                        .toList());
        model.addAttribute("fixes", book.job().fixes());
        Words words = new Words(book.job().units());
        model.addAttribute(
                "references",
                ReferenceComparison.of(book.job(), book.result().measured()).stream()
                        .map(c -> c.setup() + ": " + c.sentence(words))
                        .toList());
        model.addAttribute("rows", IntStream.range(0, MarkEntries.ROWS).boxed().toList());
        model.addAttribute("states", Mark.Found.values());
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        return "mark/grid";
    }

    @PostMapping("/job/{id}/mark")
    String enter(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        return answer(
                id, typed, model, who, (book, occasion) -> Optional.of(new MarkEntries(book, occasion).enter(typed)));
    }

    /** Enters what satellites gave for a mark. */
    @PostMapping("/job/{id}/mark/fix")
    String fix(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        return answer(id, typed, model, who, (book, occasion) -> Optional.of(new FixEntries(book).enter(typed)));
    }

    /** Strikes a fix out with a reason, or lets it stand again. */
    @PostMapping("/job/{id}/mark/fix/{place}/{act:strike|restore}")
    String strike(
            @PathVariable String id,
            @PathVariable int place,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        boolean strikes = act.equals("strike");
        return answer(
                id,
                typed,
                model,
                who,
                (book, occasion) -> Optional.of(new FixEntries(book).strike(place, strikes, typed)));
    }

    /** Corrects what was given of a mark, or withdraws it. */
    @PostMapping("/job/{id}/mark/correct")
    String correct(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            Model model,
            RedirectAttributes then,
            Principal who) {
        BookedJob before = acts.book(id, who);
        Acts.Booked booked = acts.store(
                id, typed, who, "message", (book, occasion) -> new MarkEntries(book, occasion).correct(typed));
        booked.book().ifPresent(after -> then.addFlashAttribute("said", moved(before, after, typed)));
        return answer(id, booked, typed, model, who);
    }

    private static String moved(BookedJob before, BookedJob after, Map<String, String> typed) {
        int moved = Moved.between(before.result().measured(), after.result().measured())
                .size();
        boolean withdraws = !typed.getOrDefault("withdraw", "").isBlank();
        return Sentence.of(
                "%s is %s. %s moved.",
                typed.get("mark"), withdraws ? "withdrawn" : "corrected", Sentence.count(moved, "mark", "marks"));
    }

    private String answer(
            String id,
            Map<String, String> typed,
            Model model,
            Principal who,
            BiFunction<BookedJob, Occasion, Optional<Outcome>> act) {
        return answer(id, acts.store(id, typed, who, "message", act), typed, model, who);
    }

    /** The page again where something is at fault, with what was typed. */
    private String answer(String id, Acts.Booked booked, Map<String, String> typed, Model model, Principal who) {
        if (booked.book().isPresent()) {
            return "redirect:/job/" + id + "/mark";
        }
        model.addAttribute("message", booked.sayings(typed));
        return page(acts.book(id, who), model, typed, booked.faults());
    }

    /** Notes how a mark was found on the ground. */
    @PostMapping("/job/{id}/mark/found")
    String found(
            @PathVariable String id, @RequestParam Map<String, String> typed, RedirectAttributes then, Principal who) {
        Optional<String> otherwise = new MarkEntries(acts.book(id, who), acts.occasion(who)).otherwise(typed);
        Acts.Booked booked = acts.store(
                id,
                typed,
                who,
                "message",
                (book, occasion) -> Optional.of(new MarkEntries(book, occasion).found(typed)));
        booked.faults().values().stream()
                .findFirst()
                .or(() -> otherwise)
                .ifPresent(sentence -> then.addFlashAttribute("said", sentence));
        return "redirect:/job/" + id + "/mark";
    }
}
