package markturn.web.frame;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.survey.reduce.GridScale;
import markturn.survey.show.Display;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;
import org.springframework.ui.Model;

/** What every page of a job shows around its own matter. */
public final class JobPage {
    private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(2);

    private JobPage() {}

    /** The last entry cannot be of later: then this machine's clock was set back, and times of lines mislead. */
    private static Optional<String> clockSetBack(BookedJob book) {
        List<Entry> entries = book.entries();
        return entries.isEmpty()
                ? Optional.empty()
                : Optional.of(entries.get(entries.size() - 1).at())
                        .filter(last -> last.isAfter(Instant.now().plus(CLOCKS_DIFFER)))
                        .map(last ->
                                "The clock of this machine stands before the last line of this job (%s): set it right, times of new lines mislead."
                                        .formatted(new Display(book.job().units()).dayAndTime(last)));
    }

    /** Fills the frame: the job, its way with the current step, its units, whether it is practice. */
    public static void frame(Model model, BookedJob book, WorkStep step) {
        model.addAttribute("book", book);
        model.addAttribute("job", book.job());
        model.addAttribute("jobUrl", "/job/" + book.jobId());
        model.addAttribute("way", WorkProgress.through(book));
        model.addAttribute("step", step);
        model.addAttribute("show", new Display(book.job().units()));
        model.addAttribute(
                "practice", book.job().isPractice() || book.practice().isPresent());
        model.addAttribute("scale", GridScale.inForce(book.job()).orElse(1));
        model.addAttribute("unproved", book.unproved());
        clockSetBack(book).ifPresent(sentence -> model.addAttribute("clock", sentence));
    }
}
