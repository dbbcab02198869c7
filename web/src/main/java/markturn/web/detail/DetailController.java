package markturn.web.detail;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.detail.Choice;
import markturn.tripod.detail.DetailEntries;
import markturn.tripod.detail.DetailSheet;
import markturn.tripod.detail.NearTwin;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.device.Device;
import markturn.web.device.Devices;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The sheet of detail: the page around it, what is chosen on it, and the acts that are posted from it. */
@Controller
class DetailController {
    private static final String SHEET = "/job/{id}/detail/{name}";
    private static final List<String> REASONS =
            List.of("typed wrong, telescope untouched", "point again", "wrong point", "pole not plumb");

    private final Acts acts;

    DetailController(Acts acts) {
        this.acts = acts;
    }

    /** The setup in hand, or where one is begun. */
    @GetMapping("/job/{id}/detail")
    String current(@PathVariable String id, Principal who) {
        List<Setup> setups = acts.book(id, who).job().setups();
        return "redirect:"
                + (setups.isEmpty()
                        ? "/job/" + id + "/setup"
                        : Address.ofJob(id).detail(setups.get(setups.size() - 1).name()));
    }

    @GetMapping(SHEET)
    String detail(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = acts.book(id, who);
        View view = view(book, name, asked);
        Device.rememberIfUnknown(response);
        JobPage.frame(model, book, WorkStep.DETAIL);
        model.addAttribute("setup", name);
        acts.first(model, view);
        model.addAttribute("reasons", REASONS);
        return "detail/page";
    }

    /** What the page draws anew when something else was chosen. */
    @GetMapping(SHEET + "/view")
    ResponseEntity<Object> chosen(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Principal who) {
        return changed(acts.book(id, who), name, asked, asked, "");
    }

    /** An act: as {@link DetailEntries} names it. */
    @PostMapping(SHEET + "/{act}")
    ResponseEntity<Object> act(
            @PathVariable String id,
            @PathVariable String name,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            Principal who) {
        return acts.store(
                        id,
                        typed,
                        who,
                        act.equals("shot") ? "circle" : "message",
                        (book, occasion) -> new DetailEntries(book, setup(book, name), occasion).of(act, typed))
                .answer(longer -> changed(
                        longer,
                        name,
                        DetailEntries.next(act, typed),
                        typed,
                        act.equals("shot") ? typed.get("name") : ""));
    }

    /** Takes the shot in hand with the simulated station. */
    @PostMapping(SHEET + "/measure")
    ResponseEntity<Object> measure(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Principal who) {
        return acts.store(
                        id,
                        typed,
                        who,
                        "message",
                        (book, occasion) -> Optional.of(measured(book, name, typed, occasion)))
                .answer(longer -> changed(longer, name, DetailEntries.next("shot", typed), typed, ""));
    }

    private static Outcome measured(BookedJob book, String name, Map<String, String> typed, Occasion occasion) {
        Setup setup = setup(book, name);
        Form form = new Form(typed, book.job().units());
        String target = form.name("name", "the name of the point");
        Choice choice = Choice.of(typed, book.job(), setup);
        Optional<MeasuredHeight> height = form.height("height", true, "the height of the target over its mark");
        Optional<Reading.Offset> offset = DetailEntries.offset(form);
        boolean bare = choice.reflector().equals(Reflector.REFLECTORLESS);
        if (height.isEmpty() && !bare && !book.job().planOnly()) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        DetailEntries entries = new DetailEntries(book, setup, occasion);
        BookedJob withMark = entries.unknown(choice, target)
                .map(mark -> Admission.preview(book, occasion.account(), occasion.now(), new MarkAdded(mark)))
                .orElse(book);
        Devices.Sight sight = new Devices.Sight(
                target, choice.role(), 0, choice.face(), choice.reflector(), height, OptionalDouble.empty());
        Reading seen =
                Devices.reading(sight, new Devices(withMark, setup(withMark, name)).shown(sight, false), book.job());
        Reading turned = "1".equals(typed.get("angleOnly")) ? seen.withSlope(OptionalDouble.empty()) : seen;
        return entries.booked(choice, offset.map(turned::withOffset).orElse(turned));
    }

    private ResponseEntity<Object> changed(
            BookedJob book, String name, Map<String, String> chosen, Map<String, String> typed, String booked) {
        View view = view(book, name, chosen);
        if (!booked.isEmpty()) {
            NearTwin.warning(book, booked).ifPresent(view::saying);
        }
        return acts.changed(typed, view);
    }

    private static View view(BookedJob book, String name, Map<String, String> chosen) {
        Choice choice = Choice.of(chosen, book.job(), setup(book, name));
        return new DetailSheet(book, name, choice).view();
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }
}
