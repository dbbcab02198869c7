package markturn.web.review;

import java.security.Principal;
import markturn.fieldbook.BookedJob;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.Glance;
import markturn.tripod.review.GlanceBar;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The job at a glance, for whoever has to answer for it. */
@Controller
class GlanceController {
    private final FieldBook fieldBook;

    GlanceController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/review/glance")
    String glance(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.REVIEW);
        SurveyResult result = book.result();
        Glance glance = Glance.of(result.job(), result.measured(), result.judgements(), result.findings());
        model.addAttribute("glance", glance);
        model.addAttribute("bar", new GlanceBar(glance));
        return "review/glance";
    }
}
