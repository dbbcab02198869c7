package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A surveyor's first day, from an empty list to a file, with the keyboard where it counts. */
@ExtendWith(House.class)
class FirstDayTest {
    @Test
    void fromAnEmptyListToANewControlPoint(House house) throws IOException, FaultyFile {
        Page page = house.signedIn("sol");
        String job = TypedDay.openJob(page, "First day");
        TypedDay.occupy(page, job, "T1");

        // B reads 5" left and right about 0; T1 lies 60° to the right, read with a collimation of 4".
        TypedDay.book(page, "0 00 04", "89 42 49", "100.001");
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight T1.");
        TypedDay.book(page, "0600004", "0900000", "50.000");
        assertThat(page.locator("#message")).isEmpty();
        assertThat(page.locator("#sentence")).containsText("Face RIGHT. Sight T1.");
        TypedDay.book(page, "2395956", "270 00 00", "50.000");
        TypedDay.book(page, "179-59-56", "270 17 11", "100.001");
        Locator margin = page.locator("tr.ink").nth(2).locator(".margin");
        assertThat(margin).containsText("mean 60°00'00.0\"");
        assertThat(margin).containsText("collimation +4.0\"");
        assertThat(page.locator(".comparisons")).containsText("Within chance");

        // Second set on another part of the circle; T1 departs by 2".
        TypedDay.book(page, "90 00 04", "89 42 49", "100.001");
        TypedDay.book(page, "150 00 08", "90 00 00", "50.002");
        assertThat(page.locator("#sentence")).containsText("about 330°");
        TypedDay.book(page, "330 00 00", "270 00 00", "50.002");
        TypedDay.book(page, "269 59 56", "270 17 11", "100.001");
        assertThat(page.locator("tr.ink").nth(6).locator(".margin")).containsText("residual -2.0\"");
        assertThat(page.locator(".through")).containsText("All sets are turned");

        // Something else: detail, then the closing sight.
        TypedDay.aside(page, "detail", "WALL 1", "left", "none", "0");
        TypedDay.book(page, "135 00 00", "90 00 00", "20");
        assertThat(page.locator("#sentence")).containsText("Sight WALL 2");
        TypedDay.aside(page, "check", "B", "left", "Prism", "1.5");
        TypedDay.book(page, "90 00 05", "89 42 49", "100.001");
        assertThat(page.locator("tr.ink").last().locator(".margin")).containsText("turned +1.0\" since the backsight");

        page.navigate(job + "/review/S1");
        Locator row = page.locator("#abstract tr[data-target=T1]");
        assertThat(row).containsText("60°00'02.0\"");
        assertThat(row).containsText("+2.0");
        assertThat(row).containsText("2.8"); // standard deviation of one set, 2·√2
        assertThat(page.locator(".verdict")).containsText("Largest residual of a set 2.0\"");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(page.locator(".accepted")).containsText("Accepted by Sol Tarn");
        assertThat(page.locator(".accepted")).containsText("self-reviewed");

        // T1 by plane trigonometry: 50.001 m at azimuth 60°00'02" from A; level sights, so its elevation is A's.
        page.navigate(job + "/point");
        Locator t1 = page.locator("tr[data-mark=T1] td.n");
        double azimuth = Math.toRadians(60 + 2 / 3600.0);
        assertThat(Double.parseDouble(t1.nth(0).innerText()))
                .isCloseTo(1000 + 50.001 * Math.cos(azimuth), within(0.0006));
        assertThat(Double.parseDouble(t1.nth(1).innerText()))
                .isCloseTo(5000 + 50.001 * Math.sin(azimuth), within(0.0006));
        assertThat(Double.parseDouble(t1.nth(2).innerText())).isCloseTo(10, within(0.0006));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("T1")).click();
        assertThat(page.locator("main")).containsText("Carried from S1");

        page.navigate(job + "/plan");
        page.locator("a.symbol[data-numbers^='T1']").click();
        assertThat(page.locator("#plan-numbers")).containsText("T1: N 1025.0");
        String whole = page.locator("#plan").getAttribute("viewBox");
        page.getByText("Nearer").click();
        assertThat(page.locator("#plan")).not().hasAttribute("viewBox", whole);

        page.navigate(job + "/deliver");
        Download file =
                page.waitForDownload(() -> page.getByText("Job file", new Page.GetByTextOptions().setExact(true))
                        .click());
        Job read = JobFile.read(Files.readAllBytes(file.path()));
        assertThat(read.setups().get(0).readings()).hasSize(10);
        assertThat(read.setups().get(0).readings()).allMatch(Reading::stands);
        Download csv =
                page.waitForDownload(() -> page.getByText("Coordinates", new Page.GetByTextOptions().setExact(true))
                        .last()
                        .click());
        assertThat(Files.readString(csv.path())).contains("T1,new,1025.0");

        // The file brings the whole job back.
        Path brought = Files.createTempFile("job", ".json");
        Files.copy(file.path(), brought, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        page.navigate("/job");
        page.locator("#file").setInputFiles(brought);
        page.getByText("Bring it in").click();
        assertThat(page.locator("h1")).hasText("First day");
    }

    @Test
    void whatIsTypedIsEchoedAndAFaultStandsUnderItsDigits(House house) {
        Page page = house.signedIn("sol");
        TypedDay.occupy(page, TypedDay.openJob(page, "Echo"), "");
        page.locator("#circle").pressSequentially("1230405.6");
        assertThat(page.locator("#echo-circle")).hasText("123°04'05.6\"");
        page.locator("#circle").fill("123 64 05");
        assertThat(page.locator("#echo-circle mark")).hasText("64");
        assertThat(page.locator("#echo-circle")).containsText("Minutes 64: they end at 59");
        page.locator("#book-act").click();
        assertThat(page.locator("#echo-circle")).containsText("they end at 59");
        assertThat(page.locator("#circle")).hasValue("123 64 05");
        assertThat(page.locator("tr.ink")).hasCount(0);
        page.locator("#circle").fill("361 00 00");
        page.locator("#book-act").click();
        assertThat(page.locator("#echo-circle")).containsText("ends at 360 degrees");
        // A reload loses nothing that was typed.
        page.locator("#circle").fill("12 34 56");
        assertThat(page.locator("#echo-circle")).hasText("12°34'56\"");
        page.reload();
        assertThat(page.locator("#circle")).hasValue("12 34 56");
        // The keys on the screen do the same as the keyboard.
        page.locator("[data-key='next']").click();
        page.locator("[data-key='9']").click();
        page.locator("[data-key='0']").click();
        assertThat(page.locator("#zenith")).hasValue("90");
        page.locator("#book-act").click();
        assertThat(page.locator("tr.ink")).hasCount(1);
    }

    @Test
    void aLineIsStruckOutWithAReasonAndRestored(House house) {
        Page page = house.signedIn("sol");
        TypedDay.occupy(page, TypedDay.openJob(page, "Strike"), "");
        TypedDay.book(page, "10 00 00", "90 00 00", "100");
        page.locator("#strike-last").click();
        page.getByText("typed wrong, telescope untouched").click();
        assertThat(page.locator("tr.struck")).hasCount(1);
        assertThat(page.locator("tr.struck .margin")).containsText("struck out: typed wrong");
        assertThat(page.locator("tr.struck")).containsText("10°00'00\"");
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B.");
        page.locator(".restore").click();
        assertThat(page.locator("tr.struck")).hasCount(0);
        assertThat(page.locator("#sentence")).containsText("Face RIGHT. Sight B.");
        TypedDay.book(page, "190 00 00", "270 00 00", "100");
        // The whole set again: struck out, a further one comes up.
        page.locator(".open-strike[data-set='1']").click();
        page.locator("#other-reason").fill("legs settled");
        page.getByText("Strike with this reason").click();
        assertThat(page.locator("tr.struck")).hasCount(2);
        assertThat(page.locator("#sentence")).containsText("Set 2");
        // A set more, and a target more.
        page.locator(".something-else summary").press("Enter");
        page.locator("#add-set").click();
        assertThat(page.locator(".turning-strip")).containsText("6 pointings left of 3 sets");
        page.locator(".something-else summary").press("Enter");
        page.locator("#order-target").fill("T9");
        page.locator("#order-reflector").selectOption("Prism");
        page.locator("#order-height").fill("1.5");
        page.getByText("Add the target").click();
        assertThat(page.locator(".turning-strip")).containsText("12 pointings left of 3 sets");
    }

    @Test
    void aSetOutOfToleranceStopsTheAcceptanceUntilItIsAnswered(House house) {
        Page page = house.signedIn("sol");
        String job = TypedDay.openJob(page, "Out");
        TypedDay.occupy(page, job, "T1");
        String[][] sets = {
            {"0 00 00", "60 00 00", "240 00 00", "180 00 00"}, {"0 00 00", "60 00 40", "240 00 40", "180 00 00"}
        };
        for (String[] set : sets) {
            TypedDay.book(page, set[0], "89 42 49", "100.001");
            TypedDay.book(page, set[1], "90 00 00", "50");
            TypedDay.book(page, set[2], "270 00 00", "50");
            TypedDay.book(page, set[3], "270 17 11", "100.001");
        }
        assertThat(page.locator("tr.ink").nth(6).locator(".judged"))
                .containsText("STOP residual 20\", over its limit by");
        page.navigate(job + "/review/S1");
        assertThat(page.locator(".residuals .out")).hasCount(2);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(page.locator(".message")).containsText("A stop is open");
        Locator stop = page.locator(".finding.stop");
        assertThat(stop).hasCount(2);
        for (int answered = 0; answered < 2; answered++) {
            Locator open = stop.filter(new Locator.FilterOptions().setHas(page.locator("details")))
                    .first();
            open.locator("summary").press("Enter");
            open.locator("input[name=reason]").fill("site record only");
            open.getByRole(AriaRole.BUTTON).click();
            assertThat(page.locator(".finding.stop .answer")).hasCount(answered + 1);
        }
        assertThat(page.locator(".finding.stop .answer").first())
                .containsText("Accepted by Sol Tarn: site record only");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(page.locator(".accepted")).containsText("Accepted by");
        page.navigate(job + "/point");
        assertThat(page.locator("tr[data-mark=T1]")).not().containsText("unproved");
        // One more reading, and it is unproved again.
        page.navigate(job + "/turning/S1");
        TypedDay.aside(page, "detail", "WALL 1", "left", "none", "0");
        TypedDay.book(page, "135 00 00", "90 00 00", "20");
        page.navigate(job + "/point");
        assertThat(page.locator("tr[data-mark=T1]")).containsText("unproved");
    }

    @Test
    void badFormsSayFieldValueAndExpectationAndKeepWhatWasTyped(House house) {
        Page page = house.signedIn("sol");
        String job = TypedDay.openJob(page, "Bad forms");
        TypedDay.type(page, "name-0", "A", "northing-0", "12x", "easting-0", "5");
        page.getByText("Enter these marks").click();
        assertThat(page.locator("form[data-path='/enter'] .fault").first()).containsText("a name stands for one mark");
        assertThat(page.locator("main")).containsText("\"12x\" is no number");
        assertThat(page.locator("[name='northing-0']")).hasValue("12x");
        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("0");
        page.locator("[name='back-0']").fill("A");
        // What is said while it is typed, and what it is refused for, stand beside each other.
        assertThat(page.locator("#height-echo.fault")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        assertThat(page.locator("#fault-height")).containsText("0: expected the height of the instrument");
        assertThat(page.locator("#fault-station")).containsText("sight another mark");
        page.locator("#height").fill("1.44");
        page.locator("#heightTo").selectOption("notch");
        // Both values: slope 1.440 at radius 0.050, the axis 0.160 above. Source: Pythagoras.
        assertThat(page.locator("#height-echo"))
                .hasText(Pattern.compile("taped 1\\.440 to the notch, 1\\.599 vertical to the axis"));
    }

    @Test
    void aFaultyJobFileIsRefusedLineByLine(House house) throws IOException {
        Page page = house.signedIn("sol");
        Path broken = Files.createTempFile("broken", ".json");
        Files.writeString(
                broken,
                "{\"format\": \"mark-turn-job\", \"version\": 1, \"units\": {\"length\": \"m\", \"angle\": \"dms\"}, \"marks\": 5, \"setups\": []}");
        page.locator("#file").setInputFiles(broken);
        page.getByText("Bring it in").click();
        assertThat(page.locator(".faults")).containsText("$.marks: 5: expected a list of marks");
    }
}
