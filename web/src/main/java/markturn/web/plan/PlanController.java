package markturn.web.plan;

import java.security.Principal;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Display;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

@Controller
class PlanController {
    private final FieldBook fieldBook;

    PlanController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/plan")
    String plan(@PathVariable String id, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, "Plan");
        model.addAttribute("plan", PlanDrawing.of(book, new Display(book.job().units())));
        return "plan/plan";
    }
}
