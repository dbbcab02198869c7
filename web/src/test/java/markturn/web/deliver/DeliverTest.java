package markturn.web.deliver;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import markturn.fieldbook.JobNamed;
import markturn.formats.JobFile;
import markturn.formats.LandXmlReader;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What leaves the office, as it is fetched from the page. */
@ExtendWith(House.class)
class DeliverTest {
    @Test
    void theFilesComeWithNamesThatSayWhatTheyAre(House house) throws IOException {
        String id = house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/deliver");
        Download drawing = page.waitForDownload(
                () -> page.getByText("Drawing of the marks").click());
        Assertions.assertThat(drawing.suggestedFilename()).isEqualTo("Alder-Weir-PRACTICE-marks-1-500.dxf");
        Path saved = House.DATA.resolve("marks.dxf");
        drawing.saveAs(saved);
        Assertions.assertThat(Files.readString(saved)).contains("PILLAR 1", "PRACTICE", "EOF");
        Download features = page.waitForDownload(
                () -> page.getByText("Features, job coordinates").click());
        Assertions.assertThat(features.suggestedFilename()).isEqualTo("Alder-Weir-PRACTICE-job-coordinates.geojson");
        // Without a projection there is nothing to offer in WGS 84, and an address that is typed says so.
        assertThat(page.locator("main")).not().containsText("Features, WGS 84");
        APIResponse none = page.request().get("/job/" + id + "/deliver/geojson-wgs84");
        Assertions.assertThat(none.status()).isEqualTo(404);
        Assertions.assertThat(page.request()
                        .get("/job/" + id + "/deliver/dxf?scale=0")
                        .status())
                .isEqualTo(404);
    }

    /** A page that waits shows how far it is, and the download begins by itself. Source: the PDF signature. */
    @Test
    void aFileThatTakesLongIsMadeBesideThePage(House house) throws Exception {
        String id = house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/deliver");
        MadeFiles files = house.application().getBean(MadeFiles.class);
        files.setPatience(Duration.ZERO);
        Download download;
        try {
            download = page.waitForDownload(() -> {
                page.getByText("The report as PDF").click();
                assertThat(page.locator("h1")).hasText("The file is being made");
                // The crew books on: what was begun is what comes.
                house.application()
                        .getBean(FieldBook.class)
                        .add(id, "meanwhile", "wren", new JobNamed("Alder Weir", "", "Wren", "as before"));
                files.setPatience(Duration.ofSeconds(3));
            });
        } finally {
            files.setPatience(Duration.ofSeconds(3));
        }
        assertThat(page.locator("#made")).isVisible();
        Assertions.assertThat(download.suggestedFilename()).isEqualTo("Alder-Weir-PRACTICE-report.pdf");
        try (InputStream pdf = download.createReadStream()) {
            Assertions.assertThat(new String(pdf.readNBytes(5), StandardCharsets.US_ASCII))
                    .isEqualTo("%PDF-");
        }
    }

    /** Source: the ZIP and PDF signatures, and the names on the page; each file inside is read by its own reader elsewhere. */
    @Test
    void everythingComesInOneFile(House house) throws Exception {
        String id = house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        byte[] zip = House.made(page, "/job/" + id + "/deliver/everything");
        Map<String, byte[]> files = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry each = in.getNextEntry(); each != null; each = in.getNextEntry()) {
                files.put(each.getName(), in.readAllBytes());
            }
        }
        Assertions.assertThat(files.keySet())
                .containsExactly(
                        "coordinates.csv",
                        "job-coordinates.geojson",
                        "job.json",
                        "landxml.xml",
                        "marks-1-500.dxf",
                        "report.pdf",
                        "result.json");
        Assertions.assertThat(JobFile.read(files.get("job.json")).setups()).hasSize(5);
        Assertions.assertThat(LandXmlReader.points(files.get("landxml.xml")).faults())
                .isEmpty();
        Assertions.assertThat(new String(files.get("report.pdf"), 0, 5, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        page.navigate("/job/" + id + "/deliver/report");
        assertThat(page.locator("h1")).hasText("Alder Weir");
        assertThat(page.locator("body")).containsText("PRACTICE");
        assertThat(page.locator("tr.struck").first()).containsText("first attempt");
        Assertions.assertThat(
                        page.evaluate("getComputedStyle(document.querySelector('tr.struck td')).textDecorationLine"))
                .isEqualTo("line-through");
    }
}
