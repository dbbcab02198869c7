package markturn.web.setup;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Mark;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.setup.Effects;
import markturn.tripod.setup.HeightWords;
import markturn.tripod.setup.KnownMarks;
import markturn.tripod.setup.Prepared;
import markturn.tripod.setup.SetUpEntries;
import markturn.tripod.setup.SetupForm;
import markturn.tripod.typed.Form;
import markturn.tripod.view.Address;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.device.Devices;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

@Controller
class SetupController {
    private final Acts acts;

    SetupController(Acts acts) {
        this.acts = acts;
    }

    /** The sheet; with {@code from} and {@code to} prepared for the move from a setup to one of its targets, with {@code again} for
     * the same setup once more.
     */
    @GetMapping("/job/{id}/setup")
    String occupy(@PathVariable String id, @RequestParam Map<String, String> asked, Model model, Principal who) {
        BookedJob book = acts.book(id, who);
        return page(book, model, Prepared.typed(book, asked), Map.of());
    }

    private static String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.SET_UP);
        model.addAttribute("typed", typed);
        model.addAttribute("heading", Prepared.heading(typed));
        model.addAttribute("faults", faults);
        model.addAttribute("known", KnownMarks.names(book));
        model.addAttribute(
                "targets", book.job().marks().stream().map(Mark::name).toList());
        model.addAttribute("backsightRows", rows(SetupForm.BACKSIGHTS));
        model.addAttribute("foresightRows", rows(SetupForm.FORESIGHTS));
        model.addAttribute("schools", PointingOrder.School.values());
        model.addAttribute("setups", book.result().measured().setups());
        return "setup/occupy";
    }

    private static List<Integer> rows(int number) {
        return IntStream.range(0, number).boxed().toList();
    }

    /** How to set up: both schools, with drills. */
    @GetMapping("/job/{id}/setup/how")
    String how(@PathVariable String id, Model model, Principal who) {
        JobPage.frame(model, acts.book(id, who), WorkStep.SET_UP);
        return "setup/how";
    }

    /** Takes back a setup at which nothing was booked, with a reason. */
    @PostMapping("/job/{id}/setup/remove")
    String remove(
            @PathVariable String id, @RequestParam Map<String, String> typed, RedirectAttributes then, Principal who) {
        Acts.Booked booked = acts.store(
                id,
                typed,
                who,
                "message",
                (book, occasion) -> Optional.of(new SetUpEntries(book, occasion).remove(typed)));
        then.addFlashAttribute(
                "said",
                booked.faults().values().stream()
                        .findFirst()
                        .orElse(typed.get("setup") + " is removed; that it stood there stays in the record."));
        return "redirect:/job/" + id + "/setup";
    }

    @PostMapping("/job/{id}/setup")
    String begin(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Acts.Booked booked = acts.store(
                id,
                typed,
                who,
                "message",
                (book, occasion) -> Optional.of(new SetUpEntries(book, occasion).begin(typed)));
        return booked.book().isPresent()
                ? "redirect:" + Address.ofJob(id).turning(typed.get("name").strip())
                : page(acts.book(id, who), model, typed, booked.faults());
    }

    /** Both values of a height, as taped and vertical. */
    @GetMapping("/job/{id}/setup/height")
    @ResponseBody
    Map<String, String> bothValues(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        return HeightWords.of(typed, acts.book(id, who), Instant.now());
    }

    /** What tilt, centring and air do to the sights chosen so far. */
    @GetMapping("/job/{id}/setup/effects")
    @ResponseBody
    List<String> effects(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        BookedJob book = acts.book(id, who);
        return Effects.words(new Form(typed, book.job().units()), book, Instant.now());
    }

    /** The air as the weather sensor of the practice world shows it. */
    @GetMapping("/job/{id}/setup/weather")
    @ResponseBody
    Map<String, String> weather(@PathVariable String id, Principal who) {
        BookedJob book = acts.book(id, who);
        return Devices.practice(book)
                .map(practice -> practice.weather().read())
                .map(SetupController::shown)
                .orElse(Map.of());
    }

    private static Map<String, String> shown(Atmosphere air) {
        return Map.of("temperature", Words.number(air.temperature(), 1), "pressure", Words.number(air.pressure(), 0));
    }
}
