package markturn.web.setout;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.tripod.setout.SetOutSheet;
import markturn.tripod.setout.SetOutShot;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What is asked stands in the address, and the answer follows from the job; a shot at the pole is stored as a located point. */
@Controller
class SetOutController {
    private final Acts acts;

    SetOutController(Acts acts) {
        this.acts = acts;
    }

    @GetMapping("/job/{id}/setout")
    String page(@PathVariable String id, @RequestParam Map<String, String> asked, Model model, Principal who) {
        BookedJob book = acts.book(id, who);
        if (book.job().setups().isEmpty()) {
            return "redirect:/job/" + id + "/setup";
        }
        return page(book, asked, new Form(asked, book.job().units()), model);
    }

    /** Books the shot at the pole and shows what it still has to move; nothing is stored where a field is at fault. */
    @PostMapping("/job/{id}/setout")
    String shot(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Acts.Booked booked = acts.store(
                id,
                typed,
                who,
                "circle",
                (book, occasion) -> Optional.of(
                        SetOutShot.read(new Form(typed, book.job().units()), book, setup(book, typed), occasion)));
        if (booked.book().isPresent()) {
            return "redirect:" + SetOutSheet.address(id, typed, Map.of("found", typed.get("name")));
        }
        BookedJob book = acts.book(id, who);
        Form form = new Form(typed, book.job().units());
        booked.faults().forEach(form::fault);
        return page(book, typed, form, model);
    }

    private static Setup setup(BookedJob book, Map<String, String> asked) {
        List<Setup> setups = book.job().setups();
        String last = setups.get(setups.size() - 1).name();
        return book.job().setup(asked.getOrDefault("setup", last)).orElseThrow(NotHere::new);
    }

    private static String page(BookedJob book, Map<String, String> asked, Form form, Model model) {
        JobPage.frame(model, book, WorkStep.SET_OUT);
        Setup setup = setup(book, asked);
        model.addAttribute("shown", new SetOutSheet(book, setup, asked, form).shown());
        model.addAttribute("setup", setup);
        model.addAttribute(
                "setups", book.job().setups().stream().map(Setup::name).toList());
        model.addAttribute(
                "points",
                book.result().measured().marks().stream()
                        .filter(m -> m.position().isPresent())
                        .map(MeasuredMark::name)
                        .toList());
        model.addAttribute(
                "reflectors",
                book.job().reflectors().stream().map(Reflector::name).toList());
        model.addAttribute("what", SetOutSheet.WHAT);
        model.addAttribute("asked", asked);
        model.addAttribute("faults", form.faults());
        return "setout/page";
    }
}
