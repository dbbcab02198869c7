package markturn.web.intake;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import markturn.formats.LandXmlFile;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Points brought in: looked at first, never over what stands, whole or not at all. */
@ExtendWith(House.class)
class IntakeTest {
    private static FieldBook fieldBook(House house) {
        return house.application().getBean(FieldBook.class);
    }

    private static String demo(House house) {
        return fieldBook(house).open(AlderWeir.job(), "wren", Set.of("wren"));
    }

    private static Job job(House house, String id) {
        return fieldBook(house).book(id, "wren").job();
    }

    private static void bring(Page page, String id, String name, String text) {
        page.navigate("/job/" + id + "/intake");
        page.locator("#file").setInputFiles(new FilePayload(name, "text/plain", text.getBytes(StandardCharsets.UTF_8)));
        page.getByText("Look at it").press("Enter");
        page.waitForURL("**/intake/*-*");
    }

    private static void take(Page page) {
        page.locator("form[method=post] button.act").press("Enter");
        page.waitForURL("**/run");
        page.locator("#taken").waitFor();
    }

    @Test
    void conflictsBecomeChecksOrNewNames(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        bring(
                page,
                id,
                "list.csv",
                "name,northing,easting,elevation\nPILLAR 1,2000.004,5000.003,41.250\nPILLAR 2,2156.5,5038.2,42.1\nNAIL 7,2010,5010,40\nPILLAR 3,2121.884,4861.530,43.306\n");
        assertThat(page.locator(".verdict"))
                .containsText("1 point is new, 1 stand in the job as they are here, 2 names are taken.");
        page.locator("[name='conflict-PILLAR 2']").selectOption("new-name");
        page.locator("#stdDev").fill("5 mm");
        page.locator("form[method=post] button.act").press("Enter");
        // A precision that cannot be read is asked for; once it was taken for 10 mm without a word.
        assertThat(page.locator("#fault-stdDev")).containsText("expected a standard deviation");
        assertThat(page.locator("#stdDev")).hasValue("5 mm");
        assertThat(page.locator("[name='conflict-PILLAR 2']")).hasValue("new-name");
        page.locator("#stdDev").fill("0.005");
        take(page);
        assertThat(page.locator("#taken"))
                .containsText("1 mark came in, 1 more under new names; 1 became checks, 1 were left out.");
        Job job = job(house, id);
        Assertions.assertThat(
                        job.mark("PILLAR 2").orElseThrow().given().orElseThrow().northing())
                .isEqualTo(2156.412);
        Assertions.assertThat(job.mark("PILLAR 2-2")
                        .orElseThrow()
                        .given()
                        .orElseThrow()
                        .northing())
                .isEqualTo(2156.5);
        Assertions.assertThat(job.mark("NAIL 7").orElseThrow().source()).isEqualTo("list.csv");
        SurveyResult result = Survey.compute(job);
        CheckTable.Row check = CheckTable.of(job, result.measured(), result.judgements()).stream()
                .filter(row -> row.check().from().equals("list.csv"))
                .findFirst()
                .orElseThrow();
        Assertions.assertThat(check.check().plan().getAsDouble()).isCloseTo(0.005, Assertions.within(1e-9));
        // The same file posted again brings nothing a second time.
        page.navigate(page.url().replace("/run", ""));
        assertThat(page.locator(".verdict")).containsText("0 points are new");
    }

    @Test
    void columnsUnitsAndDecimalSignsAreChosenInThePreview(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        bring(page, id, "east-first.txt", "P 1;5000,5;1000,25;3\nP 2;5001,5;1001,25;4\n");
        page.locator("[name='column-1']").first().selectOption("EASTING");
        page.locator("[name='column-2']").first().selectOption("NORTHING");
        page.locator("#unit").selectOption("us-ft");
        page.getByText("Look again").press("Enter");
        page.waitForURL("**unit=us-ft**");
        page.locator("#kind").selectOption("located");
        take(page);
        Mark mark = job(house, id).mark("P 1").orElseThrow();
        Assertions.assertThat(mark.kind()).isEqualTo(Mark.Kind.LOCATED);
        Assertions.assertThat(mark.given().orElseThrow().northing())
                .isCloseTo(1000.25 * 1200 / 3937, Assertions.within(1e-9));
    }

    /** The demo's pillars in another system: turned by 0.2 rad, 25 ppm longer, shifted; and one point more. */
    private static String otherSystem() {
        StringBuilder list = new StringBuilder("name,northing,easting,elevation\n");
        AlderWeir.job().marks().stream().filter(m -> m.given().isPresent()).forEach(m -> {
            Mark.Coordinates at = m.given().orElseThrow();
            list.append(
                    line(m.name(), at.northing(), at.easting(), at.elevation().orElse(0) - 100));
        });
        return list.append(line("OLD 9", 2050, 4950, -60)).toString();
    }

    private static String line(String name, double north, double east, double up) {
        double scale = 1.000025;
        return String.format(
                java.util.Locale.ROOT,
                "%s,%.5f,%.5f,%.4f%n",
                name,
                scale * (north * Math.cos(0.2) - east * Math.sin(0.2)) + 700_000,
                scale * (north * Math.sin(0.2) + east * Math.cos(0.2)) + 300_000,
                up);
    }

    @Test
    void aListInAnotherSystemIsFittedOntoTheJobsControl(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        bring(page, id, "old-system.csv", otherSystem());
        page.locator("#system").selectOption("scale-free");
        page.getByText("Look again").press("Enter");
        page.waitForURL("**system=scale-free**");
        assertThat(page.locator("#fitted .verdict")).containsText("marks are known in both systems");
        assertThat(page.locator("#fitted .verdict")).containsText("scale -25.0 ppm");
        assertThat(page.locator(".verdict").first()).containsText("1 point is new");
        page.locator("#conflicts")
                .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
        take(page);
        Job job = job(house, id);
        Mark.Coordinates at = job.mark("OLD 9").orElseThrow().given().orElseThrow();
        Assertions.assertThat(at.northing()).isCloseTo(2050, Assertions.within(1e-4));
        Assertions.assertThat(at.easting()).isCloseTo(4950, Assertions.within(1e-4));
        Assertions.assertThat(at.elevation().getAsDouble()).isCloseTo(40, Assertions.within(1e-4));
        Assertions.assertThat(job.decisions().get(job.decisions().size() - 1).what())
                .isEqualTo(Decision.TRANSFORM);
    }

    @Test
    void whatCannotBeReadSaysWhereAndStoresNothing(House house) {
        String id = demo(house);
        long before = fieldBook(house).book(id, "wren").revision();
        Page page = house.signedIn("wren");
        bring(page, id, "broken.json", "{\"type\": \"FeatureCollection\", \"features\": [");
        assertThat(page.locator(".faults")).containsText("line 1");
        bring(page, id, "other.xml", "<kml/>");
        assertThat(page.locator(".faults")).containsText("LandXML");
        Assertions.assertThat(fieldBook(house).book(id, "wren").revision()).isEqualTo(before);
        // Somebody else does not find the file: of the surveyors nobody but a member, and nobody else at all.
        Assertions.assertThat(house.signedIn("ida").request().get(page.url()).status())
                .isEqualTo(403);
        Page other = house.signedIn("sol");
        Assertions.assertThat(other.request().get(page.url()).status()).isEqualTo(404);
    }

    @Test
    void twentyThousandPointsComeInAndAreDrawn(House house) {
        String id = fieldBook(house).open(AlderWeir.blank(), "wren", Set.of("wren"));
        StringBuilder text = new StringBuilder("name,northing,easting,elevation,code\n");
        for (int i = 0; i < 20_000; i++) {
            text.append(i + 1)
                    .append(',')
                    .append(1900 + i / 200 * 3.1)
                    .append(',')
                    .append(4800 + i % 200 * 2.3)
                    .append(",40.5,TREE\n");
        }
        Page page = house.signedIn("wren");
        bring(page, id, "many.csv", text.toString());
        page.locator("#kind").selectOption("located");
        take(page);
        assertThat(page.locator("#taken")).containsText("20000 marks came in");
        Assertions.assertThat(fieldBook(house).book(id, "wren").revision()).isLessThan(10);
        page.navigate("/job/" + id + "/plan");
        page.waitForCondition(() -> "1".equals(page.locator("#plan-canvas").getAttribute("data-ready")));
        Assertions.assertThat(page.locator(".symbol").count()).isEqualTo(4);
        // Close to one point a tap tells its numbers.
        for (int i = 0; i < 6; i++) {
            page.locator("#zoom-in").press("Enter");
        }
        page.waitForTimeout(200);
        var box = page.locator("#plan").boundingBox();
        boolean told = false;
        for (int step = 0; step < 400 && !told; step++) {
            page.mouse().click(box.x + 40 + step % 20 * 45, box.y + 40 + step / 20 * 25);
            page.waitForTimeout(40);
            told = page.locator("#plan-numbers").textContent().contains("TREE");
        }
        Assertions.assertThat(told).isTrue();
        // Long lists are paged.
        page.navigate("/job/" + id + "/point");
        Assertions.assertThat(page.locator("tbody tr").count()).isLessThan(1100);
    }

    @Test
    void aJobComesInFromLandXml(House house) {
        SurveyResult demo = Survey.compute(AlderWeir.job());
        Page page = house.signedIn("wren");
        page.navigate("/job");
        page.locator("#file").setInputFiles(new FilePayload("exchange.xml", "text/xml", LandXmlFile.write(demo)));
        page.getByText("Bring it in").press("Enter");
        page.waitForURL("**/job/*-*");
        assertThat(page.locator("h1")).hasText("Alder Weir");
        assertThat(page.locator("main")).containsText("S4");
    }
}
