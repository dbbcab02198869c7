package markturn.web.frame;

import markturn.report.Display;
import markturn.survey.reduce.GridScale;
import markturn.web.fieldbook.Book;
import org.springframework.ui.Model;

/** What every page of a job shows around its own matter. */
public final class JobPage {
    private JobPage() {}

    /** Fills the frame: the job, its way with the current act, its units, whether it is practice. */
    public static void frame(Model model, Book book, String act) {
        model.addAttribute("book", book);
        model.addAttribute("job", book.job());
        model.addAttribute("jobUrl", "/job/" + book.jobId());
        model.addAttribute("way", Way.through(book));
        model.addAttribute("act", act);
        model.addAttribute("show", new Display(book.job().units()));
        model.addAttribute(
                "practice", book.job().isPractice() || book.practice().isPresent());
        model.addAttribute("scale", GridScale.inForce(book.job()).orElse(1));
        model.addAttribute("unproved", book.unproved());
    }
}
