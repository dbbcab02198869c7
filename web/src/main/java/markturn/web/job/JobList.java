package markturn.web.job;

import java.security.Principal;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.web.people.People;
import markturn.web.pocket.TakenAlong;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the page with somebody's jobs shows of them. */
@Component
class JobList {
    /** So long a list waits for summaries of what was just booked. */
    private static final Duration PATIENCE = Duration.ofMillis(600);

    private final JobTable table;
    private final Summaries summaries;
    private final TakenAlong takenAlong;
    private final People people;

    JobList(JobTable table, Summaries summaries, TakenAlong takenAlong, People people) {
        this.table = table;
        this.summaries = summaries;
        this.takenAlong = takenAlong;
        this.people = people;
    }

    /** Fills the model with the list as it is first shown. */
    void fill(Model model, Principal who) {
        fill(model, who, new JobTable.Asked("", JobTable.Filter.OPEN, JobTable.Order.WORKED, 0));
    }

    /** Fills the model with what is asked for; a page behind the last one is the first. */
    void fill(Model model, Principal who, JobTable.Asked asked) {
        summaries.catchUp(PATIENCE);
        JobTable.Found found = table.find(who.getName(), asked);
        List<String> behind = found.rows().stream()
                .filter(JobTable.Row::isBehind)
                .map(JobTable.Row::id)
                .toList();
        if (!behind.isEmpty()) {
            summaries.make(behind, PATIENCE);
            found = table.find(who.getName(), asked);
        }
        List<JobTable.Row> rows = found.rows();
        if (rows.isEmpty() && asked.page() > 0) {
            fill(model, who, new JobTable.Asked(asked.words(), asked.filter(), asked.order(), 0));
            return;
        }
        Display show = new Display(new Units(LengthUnit.METRE, AngleUnit.DMS));
        Map<String, List<TakenAlong.Device>> along =
                takenAlong.of(rows.stream().map(JobTable.Row::id).toList()).stream()
                        .collect(Collectors.groupingBy(TakenAlong.Device::jobId));
        model.addAttribute(
                "jobs",
                rows.stream()
                        .map(row -> JobRow.of(row, along(along.getOrDefault(row.id(), List.of()), show), people, show))
                        .toList());
        long count = found.count();
        model.addAttribute("show", show);
        model.addAttribute("asked", asked);
        model.addAttribute("count", count);
        model.addAttribute("first", asked.page() * JobTable.PAGE + 1);
        model.addAttribute("paged", count > JobTable.PAGE);
        model.addAttribute("before", asked.page() - 1);
        model.addAttribute("next", (asked.page() + 1L) * JobTable.PAGE >= count ? -1 : asked.page() + 1);
        model.addAttribute("filters", JobTable.Filter.values());
        model.addAttribute("orders", JobTable.Order.values());
    }

    private String along(List<TakenAlong.Device> devices, Display show) {
        return devices.stream()
                .map(d -> "on a device of %s, last heard %s"
                        .formatted(people.shownName(d.signInName()), show.dayAndTime(d.heardAt())))
                .collect(Collectors.joining("; "));
    }
}
