package markturn.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The knocked pillar of the demo found from the gravel bar, and a free station from its first sight to its use. */
@ExtendWith(House.class)
class ResectionReviewTest {
    private static String cell(Page page, String name) {
        return page.locator("[data-cell='" + name + "']").first().textContent();
    }

    /** A copy of the demo of one's own, so that what is booked here troubles no other test. */
    private static String copyOfDemo(Page page, House house) {
        byte[] file = page.request().get(house.demo(page) + "/deliver/job-file").body();
        page.navigate("/job");
        page.locator("#file").setInputFiles(new FilePayload("copy.json", "application/json", file));
        page.getByText("Bring it in").click();
        page.waitForURL(Pattern.compile(".*/job/[0-9a-f-]{36}"));
        return page.url().replaceAll("^https?://[^/]+", "");
    }

    private static void switchPillarFourOff(Page page) {
        page.locator("[data-off='PILLAR 4:direction']").uncheck();
        page.locator("[data-off='PILLAR 4:distance']").uncheck();
    }

    private static void bookIt(Page page) {
        page.waitForResponse(
                "**/leave-out",
                () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Book it"))
                        .click());
    }

    @Test
    void theKnockedPillarIsNamedAndSwitchesAnswerInPlace(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        String job = copyOfDemo(page, house);
        page.navigate(job + "/review/R1");
        assertThat(page.locator("#verdict"))
                .containsText("PILLAR 4 does not fit: seen from here it lies 61 mm north-east of its coordinates");
        assertThat(page.locator("#point-again")).hasText("Point at PILLAR 4 again");
        String northBefore = cell(page, "north-now");
        switchPillarFourOff(page);
        assertThat(page.locator("#verdict")).containsText("3 marks, largest residual");
        assertThat(page.locator("[data-cell='r3-redundancy']")).hasText("left out");
        Assertions.assertThat(cell(page, "north-accepted")).isEqualTo(northBefore);
        Assertions.assertThat(cell(page, "north-now")).isNotEqualTo(northBefore);
        Assertions.assertThat(cell(page, "north-change")).startsWith("+");
        // The focus stays where it was, and nothing was booked.
        assertThat(page.locator("[data-off='PILLAR 4:distance']")).isFocused();
        page.locator("#as-booked").click();
        assertThat(page.locator("#verdict")).containsText("PILLAR 4 does not fit");
        // Leaving out needs a reason and stays in the record.
        switchPillarFourOff(page);
        bookIt(page);
        assertThat(page.locator(".message")).containsText("needs a reason");
        switchPillarFourOff(page);
        page.locator("#reason").fill("knocked by a digger");
        bookIt(page);
        assertThat(page.locator("#verdict")).containsText("3 marks, largest residual");
        assertThat(page.locator("[data-off='PILLAR 4:direction']")).not().isChecked();
        Job booked = JobFile.read(page.request().get(job + "/deliver/job-file").body());
        Decision decision = booked.decisions().get(booked.decisions().size() - 1);
        Assertions.assertThat(decision.what()).isEqualTo(Decision.LEAVE_OUT);
        Assertions.assertThat(decision.reason()).isEqualTo("knocked by a digger");
        Setup.ByResection by =
                (Setup.ByResection) booked.setup("R1").orElseThrow().orientation();
        Assertions.assertThat(by.leaveOut()).hasSize(2);
    }

    @Test
    void aMarkIsLeftOutByOneAct(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        byte[] file = page.request().get(house.demo(page) + "/deliver/job-file").body();
        String id = house.application().getBean(FieldBook.class).open(JobFile.read(file), "wren", Set.of("wren"));
        page.navigate("/job/" + id + "/review/R1");
        page.locator("[data-whole='PILLAR 4']").uncheck();
        assertThat(page.locator("#verdict")).containsText("3 marks, largest residual");
        assertThat(page.locator("[data-off='PILLAR 4:elevation']")).not().isChecked();
        // A part of it back on: the mark takes part again, in part.
        page.locator("[data-off='PILLAR 4:elevation']").check();
        assertThat(page.locator("[data-whole='PILLAR 4']")).isChecked();
        page.locator("[data-whole='PILLAR 4']").uncheck();
        page.locator("#reason").fill("knocked by a digger");
        bookIt(page);
        assertThat(page.locator("[data-whole='PILLAR 4']")).not().isChecked();
        Setup.ByResection by = (Setup.ByResection) house.application()
                .getBean(FieldBook.class)
                .book(id, "wren")
                .job()
                .setup("R1")
                .orElseThrow()
                .orientation();
        Assertions.assertThat(by.leaveOut()).containsExactly(new Setup.LeftOut("PILLAR 4", java.util.Optional.empty()));
    }

    @Test
    void oneMoreMarkShowsItsEllipse(House house) {
        Page page = house.signedIn("wren");
        page.navigate(house.demo(page) + "/review/R1");
        page.locator("#drawing").click();
        assertThat(page.locator("#one-more-words")).containsText("the ellipse would be");
        assertThat(page.locator("#drawing .one-more")).hasCount(1);
    }

    @Test
    void aFreeStationIsPlacedAfterTwoMarksAndSaysWhereToTurn(House house) {
        Page page = house.signedIn("sol");
        page.navigate("/job");
        page.getByText("Open a practice job").click();
        page.waitForURL("**/setup");
        page.locator("#method").selectOption("resection");
        page.locator("#freeStation").fill("BAR 1");
        page.locator("#height").fill("1.560");
        for (int row = 0; row < 2; row++) {
            page.locator("[name='back-" + row + "']").fill("PILLAR " + (row + 1));
            page.locator("[name='back-" + row + "-reflector']").selectOption("Prism");
            page.locator("[name='back-" + row + "-height']").fill("1.500");
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        page.waitForURL("**/turning/**");
        page.locator("#take").click();
        assertThat(page.locator("tr.ink")).hasCount(1);
        assertThat(page.locator(".comparisons")).containsText("No position yet");
        page.locator("#take").click();
        assertThat(page.locator("tr.ink")).hasCount(2);
        assertThat(page.locator(".comparisons")).containsText("BAR 1 lies at N 2042.6");
        assertThat(page.locator(".comparisons")).containsText(Pattern.compile("about \\d+° for PILLAR 3, 108 m"));
        assertThat(page.locator(".setup-findings")).containsText("two marks leave one thing to check");
        // One more mark improves it.
        page.locator(".something-else summary").press("Enter");
        page.locator("#order-target").fill("PILLAR 3");
        page.locator("#order-reflector").selectOption("Prism");
        page.locator("#order-height").fill("1.500");
        page.getByText("Add the target").click();
        assertThat(page.locator(".turning-strip")).containsText("10 pointings left");
        page.locator("#take-all").click();
        assertThat(page.locator("tr.ink")).hasCount(12);
        page.navigate(page.url().replace("/turning/", "/review/"));
        assertThat(page.locator("#verdict")).containsText("3 marks, largest residual");
        assertThat(page.locator("#verdict")).containsText("would have shown four times in five");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(page.locator(".accepted")).containsText("Accepted by Sol Tarn");
    }
}
