package markturn.web.job;

import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The list of somebody's jobs: searched as one types, sorted, filtered. */
@Controller
class JobListController {
    private static final int MOST_PAGES = 10_000;

    private final JobList list;

    JobListController(JobList list) {
        this.list = list;
    }

    @GetMapping("/")
    String start() {
        return "redirect:/job";
    }

    /** @param part with a value, the table alone is answered, for the page to put in its place */
    @GetMapping("/job")
    String list(
            @RequestParam(defaultValue = "") String words,
            @RequestParam(name = "filter", defaultValue = "") String filter,
            @RequestParam(defaultValue = "") String order,
            @RequestParam(defaultValue = "0") int page,
            @RequestHeader(name = "X-Part", defaultValue = "") String part,
            Model model,
            Principal who) {
        list.fill(
                model,
                who,
                new JobTable.Asked(
                        words,
                        JobTable.Filter.read(filter),
                        JobTable.Order.read(order),
                        Math.min(Math.max(page, 0), MOST_PAGES)));
        return part.isEmpty() ? "job/list" : "job/list :: table";
    }
}
