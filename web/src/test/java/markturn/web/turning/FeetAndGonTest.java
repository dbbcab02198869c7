package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import markturn.formats.JobFile;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * A job in US survey feet and gon, from the empty list to its file. Sources: the US survey foot is 1200/3937 m (Mendenhall order, 1893); a
 * turn is 400 gon; feet and inches by twelve.
 */
@ExtendWith(House.class)
class FeetAndGonTest {
    private static final double FOOT = 1200.0 / 3937;

    private static String openJob(Page page) {
        page.navigate("/job/new");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Feet");
        page.locator("#length").selectOption("us-ft");
        page.locator("#angle").selectOption("gon");
        page.getByText("Open the job").click();
        page.waitForURL("**/equipment*");
        TypedDay.type(
                page,
                "name",
                "I1",
                "directionStdDev",
                "0.6",
                "zenithStdDev",
                "0.6",
                "distanceStdDev",
                "2",
                "distancePpm",
                "2",
                "centringStdDev",
                "0",
                "heightStdDev",
                "0");
        page.getByText("Add the instrument").click();
        assertThat(page.locator("main td").first()).hasText("I1");
        page.locator("#reflectorName").fill("Prism");
        page.locator("#constant").fill("-30");
        TypedDay.type(page, "reflectorCentring", "0", "reflectorHeight", "0");
        page.getByText("Add the reflector").click();
        page.getByText("Go on: control marks").click();
        TypedDay.type(
                page,
                "name-0",
                "A",
                "northing-0",
                "3280.833",
                "easting-0",
                "16404.167",
                "elevation-0",
                "100",
                "source-0",
                "list");
        TypedDay.type(
                page,
                "name-1",
                "B",
                "northing-1",
                "3608.916",
                "easting-1",
                "16404.167",
                "elevation-1",
                "100",
                "source-1",
                "list");
        page.getByText("Enter these marks").click();
        assertThat(page.locator("main")).containsText("Go on: set up");
        return page.url().replaceAll("/mark$", "").replaceAll("^https?://[^/]+", "");
    }

    @Test
    void everythingIsTypedAndShownInTheUnitsOfTheJob(House house) throws Exception {
        Page page = house.signedIn("wren");
        String job = openJob(page);
        assertThat(page.locator("thead").first()).containsText("Northing ft US");

        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        // Five feet, two inches and three eighths: (62 + 3/8)/12 = 5.1979 ft.
        page.locator("#height").fill("5' 2 3/8\"");
        TypedDay.type(page, "back-0", "B", "fore-0", "T1");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("5.198");
        page.locator("[name='fore-0-reflector']").selectOption("Prism");
        page.locator("[name='fore-0-height']").fill("4' 6\"");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B. Prism 5.198.");

        // A circle beyond 400 gon is refused under its digits, and stays.
        page.locator("#circle").fill("400.0001");
        assertThat(page.locator("#echo-circle")).containsText("A circle ends at 400 gon");
        page.locator("#circle").fill("");
        book(page, "0.0000", "100.0000", "328.083");
        book(page, "100.0010", "100.0000", "164.0417");
        book(page, "300.0014", "300.0000", "164.0417");
        book(page, "200.0004", "300.0000", "328.083");
        assertThat(page.locator("tr.ink").nth(2).locator(".margin")).containsText("reduced 100.00100 gon");
        assertThat(page.locator("main")).not().containsText("°");

        // T1 lies east of A at 164.042 ft, 1 mgon beyond 100 gon, 5.1979 - 4.5 ft above it.
        page.navigate(job + "/point/T1");
        assertThat(page.locator("main")).containsText("16568.20");
        page.navigate(job + "/deliver");
        Download csv =
                page.waitForDownload(() -> page.getByText("Coordinates", new Page.GetByTextOptions().setExact(true))
                        .last()
                        .click());
        String row = Files.readString(csv.path())
                .lines()
                .filter(l -> l.startsWith("T1,"))
                .findFirst()
                .orElseThrow();
        String[] cells = row.split(",");
        double turn = 0.001 / 200 * Math.PI;
        assertThat(Double.parseDouble(cells[2])).isCloseTo(3280.833 - 164.0417 * Math.sin(turn), within(0.002));
        assertThat(Double.parseDouble(cells[3])).isCloseTo(16404.167 + 164.0417, within(0.002));
        assertThat(Double.parseDouble(cells[4])).isCloseTo(100 + (62 + 3 / 8.0) / 12 - 4.5, within(0.002));

        // Inside, everything is metres.
        Download file =
                page.waitForDownload(() -> page.getByText("Job file", new Page.GetByTextOptions().setExact(true))
                        .click());
        byte[] bytes = Files.readAllBytes(file.path());
        Job read = JobFile.read(bytes);
        assertThat(read.units().length()).isEqualTo(LengthUnit.US_SURVEY_FOOT);
        assertThat(read.mark("A").orElseThrow().given().orElseThrow().northing())
                .isCloseTo(3280.833 * FOOT, within(1e-6));
        assertThat(read.setups().get(0).instrumentHeight().orElseThrow().value())
                .isCloseTo((62 + 3 / 8.0) / 12 * FOOT, within(1e-4));
        assertThat(new String(bytes, StandardCharsets.UTF_8)).contains("\"us-ft\"", "\"gon\"", "\"100.0010\"");

        // A second look by the command line gives what the page shows.
        Path copy = Files.createTempFile("feet", ".json");
        Files.write(copy, bytes);
        assertThat(markturn.survey.Survey.compute(JobFile.read(Files.readAllBytes(copy)))
                        .measured()
                        .mark("T1")
                        .orElseThrow()
                        .position()
                        .orElseThrow()
                        .easting())
                .isCloseTo(Double.parseDouble(cells[3]) * FOOT, within(1e-3));
    }

    private static void book(Page page, String circle, String zenith, String slope) {
        TypedDay.book(page, circle, zenith, slope);
    }
}
