package markturn.web.setup;

import java.security.Principal;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.device.Devices;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseBody;

/** Beside the sheet of setting up: how it is done, and the simulated weather sensor. */
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
