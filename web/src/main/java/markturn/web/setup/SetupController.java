package markturn.web.setup;

import java.security.Principal;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Beside the sheet of setting up: how it is done. */
@Controller
class SetupController {
    private final Acts acts;

    SetupController(Acts acts) {
        this.acts = acts;
    }

    /** How to set up: both schools, with drills. */
    @GetMapping("/job/{id}/setup/how")
    String how(@PathVariable String id, Model model, Principal who) {
        JobPage.frame(model, acts.book(id, who), WorkStep.SET_UP);
        return "setup/how";
    }
}
