package markturn.web.deliver;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import markturn.formats.CoordinateCsv;
import markturn.formats.DxfFile;
import markturn.formats.GeoJsonFile;
import markturn.formats.JobFile;
import markturn.formats.LandXmlFile;
import markturn.formats.ResultFile;
import markturn.report.Report;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.HeavyWork;
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
    private final Reports reports;
    private final HeavyWork heavy;

    DeliverController(FieldBook fieldBook, Reports reports, HeavyWork heavy) {
        this.heavy = heavy;
        this.fieldBook = fieldBook;
        this.reports = reports;
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

    @GetMapping("/job/{id}/deliver/exchange")
    ResponseEntity<byte[]> landXml(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return file(book, "landxml.xml", MediaType.APPLICATION_XML, LandXmlFile.write(book.result()));
    }

    /** The report as a page of its own, for screen and printer. */
    @GetMapping("/job/{id}/deliver/report")
    ResponseEntity<String> report(@PathVariable String id, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(reports.of(book).html("report.css"));
    }

    @GetMapping("/job/{id}/deliver/report.css")
    ResponseEntity<String> stylesheet(@PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "css", StandardCharsets.UTF_8))
                .body("@import url(/css/fonts.css);\n" + Report.stylesheet());
    }

    @GetMapping("/job/{id}/deliver/report.pdf")
    ResponseEntity<byte[]> reportAsPdf(@PathVariable String id, Principal who) throws Exception {
        Book book = fieldBook.book(id, who.getName());
        return file(
                book,
                "report.pdf",
                MediaType.APPLICATION_PDF,
                heavy.inTurn(who.getName(), () -> reports.of(book).pdf()));
    }

    /** Everything in one file. */
    @GetMapping("/job/{id}/deliver/everything")
    ResponseEntity<byte[]> everything(
            @PathVariable String id, @RequestParam(defaultValue = "500") int scale, Principal who) throws Exception {
        Book book = fieldBook.book(id, who.getName());
        if (scale < 1 || scale > LARGEST_SCALE) {
            throw new NotHere();
        }
        byte[] all = heavy.inTurn(who.getName(), () -> zipped(book, scale));
        return file(book, "everything.zip", new MediaType("application", "zip"), all);
    }

    private byte[] zipped(Book book, int scale) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("job.json", JobFile.write(book.job()));
        files.put("result.json", ResultFile.write(book.result()));
        files.put("coordinates.csv", CoordinateCsv.write(book.result()));
        files.put("job-coordinates.geojson", GeoJsonFile.write(book.result()));
        GeoJsonFile.writeGeographic(book.result()).ifPresent(content -> files.put("wgs84.geojson", content));
        files.put("landxml.xml", LandXmlFile.write(book.result()));
        files.put("marks-1-" + scale + ".dxf", DxfFile.write(book.result(), scale));
        files.put("report.pdf", reports.of(book).pdf());
        ByteArrayOutputStream zipped = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
            for (Map.Entry<String, byte[]> each : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue());
                zip.closeEntry();
            }
        }
        return zipped.toByteArray();
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
