package markturn.web.register;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkTaken;
import markturn.fieldbook.Refused;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.frame.TypedAgain;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A job and the register of marks: what is known here, what was taken, and what the job enters. */
@Controller
class JobRegisterController {
    private static final int LONGEST_DATUM = 200;

    private final Register register;
    private final FieldBook fieldBook;

    JobRegisterController(Register register, FieldBook fieldBook) {
        this.register = register;
        this.fieldBook = fieldBook;
    }

    /** A mark that the job can enter. */
    public record Offered(String name, String place, String source) {}

    /** A mark that the job took from the register. */
    public record Taken(String name, String registered, long version, String newer) {}

    @GetMapping("/job/{id}/register")
    String page(@PathVariable String id, @RequestParam(defaultValue = "") String datum, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.CONTROL_MARKS);
        Display show = new Display(book.job().units());
        String in = datum.isEmpty() ? Register.datum(book.job()) : datum.strip();
        model.addAttribute("datum", in);
        model.addAttribute("near", in.isEmpty() ? List.of() : register.near(book, in));
        Map<String, Register.Offer> offered = Register.offered(book.job());
        model.addAttribute("shown", shown(offered));
        model.addAttribute(
                "offered",
                offered.entrySet().stream()
                        .filter(e -> !book.taken().containsKey(e.getKey()))
                        .map(e -> new Offered(
                                e.getKey(),
                                show.place(
                                        e.getValue().at().northing(),
                                        e.getValue().at().easting(),
                                        e.getValue().at().elevation()),
                                e.getValue().source()))
                        .toList());
        model.addAttribute(
                "taken",
                new TreeMap<>(book.taken())
                        .entrySet().stream()
                                .map(e -> taken(e.getKey(), e.getValue(), show))
                                .toList());
        return "register/job";
    }

    private Taken taken(String name, MarkTaken taken, Display show) {
        Optional<RegisterValue> newer = register.inForce(taken.registered()).filter(v -> v.number() > taken.version());
        return new Taken(
                name,
                taken.registered(),
                taken.version(),
                newer.map(v -> "a newer value is in force: "
                                + show.place(v.at().northing(), v.at().easting(), v.at().elevation()) + ", "
                                + v.reason())
                        .orElse(""));
    }

    /** Takes a registered mark into the job, as control: the value that was shown, or none. */
    @PostMapping("/job/{id}/register/take")
    String take(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam String mark,
            @RequestParam long version,
            RedirectAttributes then,
            Principal who) {
        MarkTaken taken = register.taken(mark).orElseThrow(NotHere::new);
        if (taken.version() != version) {
            then.addFlashAttribute(
                    "fault",
                    Sentence.of(
                            "Another value of %s came into force while this page was open. Nothing was taken: look at it in the list, then take it.",
                            taken.mark().name()));
            return there(id);
        }
        try {
            fieldBook.add(id, key, who.getName(), taken);
        } catch (Refused refused) {
            then.addFlashAttribute("fault", refused.getMessage());
        }
        return there(id);
    }

    /** Enters marks of the job into the register. */
    @PostMapping("/job/{id}/register/enter")
    String enter(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String datum,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(required = false) List<String> mark,
            @RequestParam Map<String, String> typed,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Map<String, Register.Offer> offered = Register.offered(book.job());
        List<String> ticked = mark == null ? List.of() : mark;
        List<String> names = ticked.stream().filter(offered::containsKey).toList();
        if (names.isEmpty() || datum.isBlank() || datum.length() > LONGEST_DATUM || reason.isBlank()) {
            String fault = "Expected one mark or more, the datum that its coordinates are in, and why it is entered";
            return TypedAgain.on(there(id), TypedAgain.ticked(typed, "mark", ticked), fault, then);
        }
        if (!Shown.isStill(typed, shown(offered))) {
            String fault =
                    "What this job can enter changed while this page was open. Nothing was entered: look at it as it stands now";
            return TypedAgain.on(there(id), TypedAgain.ticked(typed, "mark", ticked), fault, then);
        }
        Register.Entered entered = register.enter(book, names, datum.strip(), who.getName(), reason.strip());
        then.addFlashAttribute(
                "said",
                Sentence.of(
                        "%s in the register; %s of what is in force, which stays%s.",
                        Sentence.count(entered.fresh(), "new mark", "new marks"),
                        Sentence.count(entered.checks(), "check", "checks"),
                        entered.stood() == 0
                                ? ""
                                : "; "
                                        + Sentence.count(
                                                entered.stood(),
                                                "value was entered from this job before and checks nothing",
                                                "values were entered from this job before and check nothing")));
        return there(id);
    }

    /** Tells values from any other: what is entered for the office is what was shown. */
    private static String shown(Map<String, Register.Offer> offered) {
        return Shown.of(offered.toString());
    }

    private static String there(String id) {
        return "redirect:/job/" + id + "/register";
    }
}
