package markturn.web.deliver;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import markturn.formats.CoordinateCsv;
import markturn.formats.JobFile;
import markturn.formats.ResultFile;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

@Controller
class DeliverController {
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final FieldBook fieldBook;

    DeliverController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/deliver")
    String page(@PathVariable String id, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, "Deliver");
        model.addAttribute("decisions", book.job().decisions());
        return "deliver/page";
    }

    @GetMapping("/job/{id}/deliver/job-file")
    ResponseEntity<byte[]> jobFile(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(book, "job.json", MediaType.APPLICATION_JSON, JobFile.write(book.job()));
    }

    @GetMapping("/job/{id}/deliver/result-file")
    ResponseEntity<byte[]> resultFile(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(book, "result.json", MediaType.APPLICATION_JSON, ResultFile.write(book.result()));
    }

    @GetMapping("/job/{id}/deliver/coordinates")
    ResponseEntity<byte[]> coordinates(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(book, "coordinates.csv", CSV, CoordinateCsv.write(book.result()));
    }

    private static ResponseEntity<byte[]> file(Book book, String ending, MediaType type, byte[] content) {
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
