package markturn.web.turning;

import java.security.Principal;
import markturn.fieldbook.BookedJob;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.tripod.view.Address;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The sets of a setup as a form, to be printed. */
@Controller
class TurningController {
    private final Acts acts;

    TurningController(Acts acts) {
        this.acts = acts;
    }

    /** The sets of a setup reduced as by hand, to be printed. */
    @GetMapping("/job/{id}/turning/{name}/form")
    String form(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        BookedJob book = acts.book(id, who);
        book.job().setup(name).orElseThrow(NotHere::new);
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
}
