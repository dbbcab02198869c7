package markturn.web.turning;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.tripod.turning.Aside;
import markturn.tripod.turning.Offered;
import markturn.tripod.turning.TurningEntries;
import markturn.tripod.turning.TurningSheet;
import markturn.tripod.typed.Understood;
import markturn.tripod.view.Address;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.device.Device;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The sheet of a setup: the page around it, and the acts that are posted from it. */
@Controller
class TurningController {
    private static final String SHEET = "/job/{id}/turning/{name}";

    private final Acts acts;

    TurningController(Acts acts) {
        this.acts = acts;
    }

    @GetMapping(SHEET)
    String turn(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = acts.book(id, who);
        Setup setup = setup(book, name);
        Device.rememberIfUnknown(response);
        TurningSheet sheet = TurningSheet.asked(asked, book, setup, Device.known());
        JobPage.frame(model, book, WorkStep.TURN_THE_SETS);
        model.addAttribute("setup", setup.name());
        acts.first(model, sheet.view(book, setup, Instant.now()));
        model.addAttribute("reasons", TurningEntries.REASONS);
        model.addAttribute("reflectors", Aside.reflectors(book.job()));
        return "turning/page";
    }

    /** An act: as {@link TurningEntries} names it. Who asks {@code Prefer: return=minimal} (RFC 7240) hears only that it is stored. */
    @PostMapping(SHEET + "/{act}")
    ResponseEntity<Object> act(
            @PathVariable String id,
            @PathVariable String name,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            @RequestHeader(name = "Prefer", defaultValue = "") String prefer,
            Principal who) {
        return acts.store(
                        id,
                        typed,
                        who,
                        act.equals("reading") ? "circle" : "message",
                        (book, occasion) -> new TurningEntries(book, setup(book, name), occasion).of(act, typed))
                .answer(longer -> prefer.contains("return=minimal")
                        ? ResponseEntity.noContent().build()
                        : changed(acts, longer, name, typed));
    }

    /** What the sheet draws anew; where the line in hand had been called for out of the order, the next of its kind is in hand. */
    static ResponseEntity<Object> changed(Acts acts, BookedJob longer, String name, Map<String, String> typed) {
        Setup setup = setup(longer, name);
        List<Reading> readings = setup.readings();
        Optional<Aside> next = typed.getOrDefault("aside", "").isEmpty() || readings.isEmpty()
                ? Optional.empty()
                : Aside.following(longer.job(), readings.get(readings.size() - 1));
        TurningSheet sheet =
                TurningSheet.inOrder(Device.known(), typed.containsKey("whole")).with(next);
        return acts.changed(typed, sheet.view(longer, setup, Instant.now()));
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }

    /** The sets of a setup reduced as by hand, to be printed. */
    @GetMapping(SHEET + "/form")
    String form(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        BookedJob book = acts.book(id, who);
        setup(book, name);
        MeasuredSetup measured = book.result().measured().setup(name);
        Display show = new Display(book.job().units());
        JobPage.frame(model, book, WorkStep.TURN_THE_SETS);
        model.addAttribute("setup", measured);
        model.addAttribute("sheet", Address.ofJob(id).turning(name));
        model.addAttribute(
                "began", measured.setup().settingUp().at().map(show::dayAndTime).orElse(""));
        model.addAttribute("form", BookingForm.of(measured, show));
        return "turning/form";
    }

    /** The marks that are offered to be sighted. */
    @GetMapping(SHEET + "/offered")
    @ResponseBody
    List<String> offered(@PathVariable String id, @PathVariable String name, Principal who) {
        Job job = acts.book(id, who).job();
        return Offered.marks(job, job.setup(name).orElseThrow(NotHere::new));
    }

    /** What is typed, as it is understood: an echo, or the fault with the characters it lies in. */
    @GetMapping(SHEET + "/understood")
    @ResponseBody
    Map<String, Map<String, Object>> understood(
            @PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        return Understood.of(typed, acts.book(id, who).job().units());
    }
}
