package markturn.web.register;

import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.tripod.typed.Form;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.NotHere;
import markturn.web.frame.Pictures;
import markturn.web.frame.TypedAgain;
import markturn.web.people.People;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The register of marks: the list, and a page for each mark. */
@Controller
class RegisterController {
    private static final Units UNITS = new Units(LengthUnit.METRE, AngleUnit.DMS);
    private static final int LONGEST = 500;

    private final Register register;
    private final FieldBook fieldBook;
    private final People people;

    RegisterController(Register register, FieldBook fieldBook, People people) {
        this.register = register;
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @GetMapping("/office/mark")
    String list(@RequestParam(defaultValue = "") String words, Model model) {
        model.addAttribute("words", words);
        model.addAttribute("show", new Display(UNITS));
        model.addAttribute("marks", register.found(words));
        return "register/list";
    }

    /** A value, as the page shows it. */
    public record Value(
            long number, String place, String state, String against, String source, String entered, boolean check) {}

    /** A use of the mark in a job. */
    public record Use(String job, String when, String found, String agreed, boolean disagreed) {}

    /** A note beside it. */
    public record Noted(String words, String distance, String when, long picture) {}

    @GetMapping("/office/mark/{id}")
    String page(@PathVariable String id, Model model, Principal who) {
        RegisterMark mark = register.mark(id).orElseThrow(NotHere::new);
        RegisterValue now = register.inForce(id).orElseThrow(NotHere::new);
        Display show = new Display(UNITS);
        model.addAttribute("show", show);
        model.addAttribute("mark", mark);
        model.addAttribute(
                "place",
                show.place(now.at().northing(), now.at().easting(), now.at().elevation()));
        model.addAttribute("source", now.source());
        model.addAttribute("inForce", now.number());
        model.addAttribute("values", values(register.values(id), now, show));
        model.addAttribute("uses", uses(id, who, show));
        model.addAttribute(
                "notes",
                register.notes(id).stream()
                        .map(n -> new Noted(
                                n.words(),
                                n.distance().isPresent() ? show.length(n.distance()) + " m" : "",
                                show.dayAndTime(n.notedAt()) + ", " + people.shownName(n.notedBy()),
                                n.hasPicture() ? n.number() : 0))
                        .toList());
        return "register/mark";
    }

    private List<Value> values(List<RegisterValue> all, RegisterValue now, Display show) {
        List<Value> shown = new ArrayList<>();
        for (RegisterValue value : all) {
            boolean inForce = value.number() == now.number();
            double apart = Register.distance(value.at(), now.at());
            shown.add(new Value(
                    value.number(),
                    show.place(
                            value.at().northing(),
                            value.at().easting(),
                            value.at().elevation()),
                    inForce ? "in force" : value.isInForce() ? "was in force" : "check",
                    inForce ? "" : show.deviation(OptionalDouble.of(apart)),
                    value.source(),
                    show.dayAndTime(value.enteredAt()) + ", " + people.shownName(value.enteredBy()) + ": "
                            + value.reason(),
                    !inForce));
        }
        return shown;
    }

    private List<Use> uses(String id, Principal who, Display show) {
        return register.uses(id).stream()
                .map(u -> new Use(
                        fieldBook.title(u.jobId(), who.getName()).orElse("another job"),
                        show.dayAndTime(u.usedAt()) + ", " + people.shownName(u.usedBy()),
                        u.found(),
                        u.agreed(),
                        u.isDisagreed()))
                .toList();
    }

    /**
     * A check takes the place of what was in force.
     *
     * @param instead number of the value that the page showed in force
     */
    @PostMapping("/office/mark/{id}/value/{number}")
    String takePlace(
            @PathVariable String id,
            @PathVariable long number,
            @RequestParam long instead,
            @RequestParam(defaultValue = "") String reason,
            RedirectAttributes then,
            Principal who) {
        register.mark(id).orElseThrow(NotHere::new);
        if (reason.isBlank()) {
            then.addFlashAttribute("fault", "Empty: expected why this value takes the place of the one in force");
        } else if (!register.takePlace(id, number, instead, who.getName(), reason.strip())) {
            then.addFlashAttribute(
                    "fault",
                    "Another value came into force while this page was open: nothing was changed. Below is what stands now.");
        }
        return there(id);
    }

    /** Notes what helps to find it again. */
    @PostMapping("/office/mark/{id}/note")
    String note(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) MultipartFile picture,
            RedirectAttributes then,
            Principal who)
            throws IOException {
        register.mark(id).orElseThrow(NotHere::new);
        Form form = new Form(typed, UNITS);
        OptionalDouble distance = form.length("distance", 0, 1000, "a distance in metres, 0 to 1000");
        String words = form.text("words");
        boolean hasPicture = picture != null && !picture.isEmpty();
        Optional<byte[]> drawn =
                hasPicture ? Pictures.drawnAnew(picture.getBytes()).map(Pictures.Drawn::jpeg) : Optional.empty();
        if (words.isEmpty() || words.length() > LONGEST) {
            form.fault("words", "Expected what it is, such as: nail in the kerb, north-east");
        }
        if (hasPicture && drawn.isEmpty()) {
            form.fault("picture", "This picture cannot be read: expected JPEG or PNG");
        }
        if (!form.isSound()) {
            return TypedAgain.on(
                    there(id), typed, String.join(". ", form.faults().values()), then);
        }
        register.note(id, words, distance, drawn, who.getName());
        return there(id);
    }

    @GetMapping("/office/mark/{id}/picture/{number}")
    ResponseEntity<byte[]> picture(@PathVariable String id, @PathVariable long number) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(register.picture(id, number).orElseThrow(NotHere::new));
    }

    private static String there(String id) {
        return "redirect:/office/mark/" + id;
    }
}
