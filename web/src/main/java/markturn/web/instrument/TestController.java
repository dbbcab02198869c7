package markturn.web.instrument;

import java.security.Principal;
import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The statement of an instrument test, on one page. */
@Controller
class TestController {
    private final FieldBook fieldBook;
    private final People people;

    TestController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @GetMapping("/job/{id}/equipment/test")
    String statement(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.JOB);
        List<TestStatement> statements = TestStatement.of(book, people);
        model.addAttribute("statements", statements);
        return "instrument/test";
    }
}
