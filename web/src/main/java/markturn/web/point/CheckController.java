package markturn.web.point;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.CheckTable;
import markturn.tripod.review.SecondSightEntries;
import markturn.tripod.view.Address;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All checks of a job in one table, and what is decided about second sights. */
@Controller
class CheckController {
    private final Acts acts;

    CheckController(Acts acts) {
        this.acts = acts;
    }

    @GetMapping("/job/{id}/point/checks")
    String checks(@PathVariable String id, Model model, Principal who) {
        return page(acts.book(id, who), model);
    }

    private static String page(BookedJob book, Model model) {
        JobPage.frame(model, book, WorkStep.COORDINATES);
        SurveyResult result = book.result();
        List<CheckTable.Row> rows = CheckTable.of(result.job(), result.measured(), result.judgements());
        model.addAttribute("rows", rows);
        model.addAttribute("sentence", CheckTable.sentence(rows));
        return "point/checks";
    }

    /** Keeps, means or replaces a located point that was sighted again, with a reason. */
    @PostMapping("/job/{id}/point/second-sight")
    String decide(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Acts.Booked booked = acts.store(
                id, typed, who, "message", (book, occasion) -> new SecondSightEntries(book, occasion).decide(typed));
        if (booked.book().isEmpty()) {
            model.addAttribute("message", String.join(" ", booked.faults().values()));
            return page(acts.book(id, who), model);
        }
        boolean toDetail = typed.getOrDefault("back", "").equals("detail");
        return "redirect:" + (toDetail ? Address.ofJob(id).detail(typed.get("setup")) : "/job/" + id + "/point/checks");
    }
}
