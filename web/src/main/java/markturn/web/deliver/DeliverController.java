package markturn.web.deliver;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.formats.OpenFormat;
import markturn.formats.OpenFormats;
import markturn.report.Report;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.LongWork;
import markturn.web.frame.NotHere;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

@Controller
class DeliverController {
    private static final int LARGEST_SCALE = 100_000;
    private static final int DEFAULT_SCALE = 500;

    private final FieldBook fieldBook;
    private final Reports reports;
    private final MadeFiles made;

    DeliverController(FieldBook fieldBook, Reports reports, MadeFiles made) {
        this.made = made;
        this.fieldBook = fieldBook;
        this.reports = reports;
    }

    @GetMapping("/job/{id}/deliver")
    String page(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.DELIVER);
        model.addAttribute("decisions", book.job().decisions());
        model.addAttribute(
                "formats",
                OpenFormats.ALL.stream()
                        .filter(format -> format.isOffered(book.job()))
                        .toList());
        return "deliver/page";
    }

    /** The job in one of the open formats; what is drawn in the size of a plan of that scale, 1 to 100 000. */
    @GetMapping("/job/{id}/deliver/{format:[a-z0-9-]+}")
    ResponseEntity<byte[]> inFormat(
            @PathVariable String id,
            @PathVariable String format,
            @RequestParam(defaultValue = "500") int scale,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        OpenFormat asked = OpenFormats.named(format).orElseThrow(NotHere::new);
        if (scale < 1 || scale > LARGEST_SCALE) {
            throw new NotHere();
        }
        return file(
                book,
                asked.ending(scale),
                MediaType.parseMediaType(asked.mediaType()),
                asked.write(book.result(), scale).orElseThrow(NotHere::new));
    }

    /** The report as a page of its own, for screen and printer. */
    @GetMapping("/job/{id}/deliver/report")
    ResponseEntity<String> report(@PathVariable String id, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(reports.of(book, who.getName(), share -> {}).html("report.css"));
    }

    @GetMapping("/job/{id}/deliver/report.css")
    ResponseEntity<String> stylesheet(@PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "css", StandardCharsets.UTF_8))
                .body("@import url(/css/fonts.css);\n" + Report.stylesheet());
    }

    /**
     * The report to print and keep; made beside the page, which shows how far it is.
     *
     * @param state of what is being made already, whatever was booked since; empty for the job as it stands
     */
    @GetMapping("/job/{id}/deliver/report.pdf")
    Object reportAsPdf(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String state,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return made(book, asked(book, "report.pdf", DEFAULT_SCALE, state, who), state, model, response);
    }

    /** Everything in one file. */
    @GetMapping("/job/{id}/deliver/everything")
    Object everything(
            @PathVariable String id,
            @RequestParam(defaultValue = "500") int scale,
            @RequestParam(defaultValue = "") String state,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return made(book, asked(book, "everything", scale, state, who), state, model, response);
    }

    /** How far the making of a file is, for the page that waits. */
    @GetMapping("/job/{id}/deliver/{file:report.pdf|everything}/progress")
    @ResponseBody
    Map<String, Object> progress(
            @PathVariable String id,
            @PathVariable String file,
            @RequestParam(defaultValue = "500") int scale,
            @RequestParam(defaultValue = "") String state,
            Principal who) {
        MadeFiles.Asked asked = asked(fieldBook.book(id, who.getName()), file, scale, state, who);
        Optional<LongWork.Run<byte[]>> run = made.works().known(asked);
        return Map.of(
                "share", run.map(LongWork.Run::share).orElse(1.0),
                "before", made.works().before(asked),
                "done", run.map(LongWork.Run::isDone).orElse(true));
    }

    /** Ends the making of a file. */
    @PostMapping("/job/{id}/deliver/{file:report.pdf|everything}/cancel")
    String cancel(
            @PathVariable String id,
            @PathVariable String file,
            @RequestParam(defaultValue = "500") int scale,
            @RequestParam(defaultValue = "") String state,
            Principal who) {
        made.works().cancel(asked(fieldBook.book(id, who.getName()), file, scale, state, who));
        return "redirect:/job/" + id + "/deliver";
    }

    /** A crew books on while a report is made: whoever waits for it waits for the one that was begun. */
    private MadeFiles.Asked asked(BookedJob book, String file, int scale, String state, Principal who) {
        if (scale < 1 || scale > LARGEST_SCALE) {
            throw new NotHere();
        }
        MadeFiles.Kind kind = file.equals("everything") ? MadeFiles.Kind.EVERYTHING : MadeFiles.Kind.REPORT;
        MadeFiles.Asked begun = new MadeFiles.Asked(who.getName(), book.jobId(), state, kind, scale);
        return made.works().known(begun).isPresent()
                ? begun
                : new MadeFiles.Asked(who.getName(), book.jobId(), reports.state(book, who.getName()), kind, scale);
    }

    private Object made(
            BookedJob book, MadeFiles.Asked asked, String state, Model model, HttpServletResponse response) {
        Optional<byte[]> content = made.soon(asked, book);
        boolean isReport = asked.kind() == MadeFiles.Kind.REPORT;
        if (content.isPresent()) {
            return isReport
                    ? file(book, "report.pdf", MediaType.APPLICATION_PDF, content.get())
                    : file(book, "everything.zip", new MediaType("application", "zip"), content.get());
        }
        String file = isReport ? "report.pdf" : "everything";
        if (!asked.state().equals(state)) {
            return "redirect:/job/" + book.jobId() + "/deliver/" + file + "?scale=" + asked.scale() + "&state="
                    + asked.state();
        }
        response.setStatus(HttpServletResponse.SC_ACCEPTED);
        JobPage.frame(model, book, WorkStep.DELIVER);
        model.addAttribute("file", file);
        model.addAttribute("asked", asked);
        model.addAttribute(
                "share", made.works().known(asked).map(LongWork.Run::share).orElse(0.0));
        model.addAttribute("before", made.works().before(asked));
        return "deliver/under-way";
    }

    private static ResponseEntity<byte[]> file(BookedJob book, String ending, MediaType type, byte[] content) {
        String name = book.job().name().replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        String practice = book.job().isPractice() ? "-PRACTICE" : "";
        ContentDisposition download = ContentDisposition.attachment()
                .filename((name.isEmpty() ? "job" : name) + practice + "-" + ending, StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, download.toString())
                .body(content);
    }
}
