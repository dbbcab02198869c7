package markturn.web.deliver;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import markturn.formats.CoordinateCsv;
import markturn.formats.DxfFile;
import markturn.formats.GeoJsonFile;
import markturn.formats.JobFile;
import markturn.formats.ResultFile;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class DeliverController {
    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private static final MediaType GEOJSON = new MediaType("application", "geo+json", StandardCharsets.UTF_8);
    private static final MediaType DXF = new MediaType("image", "vnd.dxf", StandardCharsets.US_ASCII);
    private static final int LARGEST_SCALE = 100_000;

    private final FieldBook fieldBook;

    DeliverController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/deliver")
    String page(@PathVariable String id, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, "Deliver");
        model.addAttribute("decisions", book.job().decisions());
        model.addAttribute(
                "geographic", GeoJsonFile.writeGeographic(book.result()).isPresent());
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

    @GetMapping("/job/{id}/deliver/features")
    ResponseEntity<byte[]> features(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(book, "job-coordinates.geojson", GEOJSON, GeoJsonFile.write(book.result()));
    }

    @GetMapping("/job/{id}/deliver/features-wgs84")
    ResponseEntity<byte[]> geographic(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(
                book,
                "wgs84.geojson",
                GEOJSON,
                GeoJsonFile.writeGeographic(book.result()).orElseThrow(NotHere::new));
    }

    /** The drawing; text in the size of a plan of that scale, 1 to 100 000. */
    @GetMapping("/job/{id}/deliver/drawing")
    ResponseEntity<byte[]> drawing(
            @PathVariable String id, @RequestParam(defaultValue = "500") int scale, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        if (scale < 1 || scale > LARGEST_SCALE) {
            throw new NotHere();
        }
        return file(book, "marks-1-" + scale + ".dxf", DXF, DxfFile.write(book.result(), scale));
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
