package markturn.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.simulator.Campaign;
import markturn.simulator.Campaigns;
import markturn.simulator.World;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** An occupied mark with three backsights, one of them knocked sideways. Source: a simulated job of known truth. */
@ExtendWith(House.class)
class BacksightReviewTest {
    private static Job knockedSideways() {
        World world = new World()
                .with("A", 1000, 5000, 50)
                .with("B1", 1150, 5010, 52)
                .with("B2", 980, 5170, 51)
                .with("B3", 890, 4920, 49)
                .with("N1", 1060, 5090, 50);
        Campaign campaign = new Campaign(
                        5, world, ClassOfWork.Preset.ENGINEERING, Campaigns.instrument(2), Campaigns.prism(), 2)
                .control("A")
                .control("B1")
                .control("B2")
                .control("B3");
        world.knock("B1", 0, 0.05, 0);
        return campaign.wanted("N1")
                .occupy("S1", "A", List.of("B1", "B2", "B3"), List.of("N1"), List.of("B2"))
                .job();
    }

    private static String opened(Page page) {
        page.navigate("/job");
        byte[] file = JobFile.write(knockedSideways());
        page.locator("#file").setInputFiles(new FilePayload("knocked.json", "application/json", file));
        page.getByText("Bring it in").click();
        page.waitForURL(Pattern.compile(".*/job/[0-9a-f-]{36}"));
        String job = page.url().replaceAll("^https?://[^/]+", "");
        page.navigate(job + "/review/S1");
        return job;
    }

    /** The tables change their widths as they are filled: a button that moved under the finger is not pressed. */
    @Test
    void nothingMovesWhileSomethingIsPressed(House house) {
        Page page = house.signedIn("wren");
        opened(page);
        List<Route> held = new ArrayList<>();
        page.route(Pattern.compile(".*/what-if.*"), held::add);
        Locator cell = page.locator("[data-cell='orientation-now']");
        String before = cell.textContent();
        page.locator("[data-off='B1:direction']").uncheck();
        page.waitForCondition(() -> !held.isEmpty());
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Book it"))
                .hover();
        page.mouse().down();
        page.waitForResponse(Pattern.compile(".*/what-if.*"), () -> held.get(0).resume());
        page.waitForTimeout(300);
        assertThat(cell).hasText(before);
        page.mouse().up();
        assertThat(page.locator("#message")).containsText("needs a reason");
        assertThat(cell).not().hasText(before);
    }

    /** Numbers that do not follow a switch would be booked for what they are not. */
    @Test
    void aSwitchWithoutAnAnswerIsSaid(House house) {
        Page page = house.signedIn("wren");
        opened(page);
        Locator cell = page.locator("[data-cell='orientation-now']");
        String before = cell.textContent();
        page.route(Pattern.compile(".*/what-if.*"), Route::abort);
        page.locator("[data-off='B1:direction']").uncheck();
        assertThat(page.locator("#message")).containsText("There is no answer: the connection is gone");
        assertThat(cell).hasText(before);
        page.unroute(Pattern.compile(".*/what-if.*"));
        page.locator("[data-off='B1:distance']").uncheck();
        assertThat(cell).not().hasText(before);
        assertThat(page.locator("#message")).isEmpty();
    }

    @Test
    void theKnockedBacksightIsNamedSwitchedOffAndLeftOut(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        String job = opened(page);
        assertThat(page.locator("#verdict")).containsText(Pattern.compile("B1 does not fit: .* (4|5)\\d mm east"));
        assertThat(page.locator(".finding.stop")).hasCount(1);
        String before = page.locator("[data-cell='orientation-now']").textContent();
        page.locator("[data-off='B1:direction']").uncheck();
        page.locator("[data-off='B1:distance']").uncheck();
        assertThat(page.locator("#verdict")).containsText("2 marks, largest residual");
        assertThat(page.locator("[data-cell='orientation-accepted']")).hasText(before);
        assertThat(page.locator("[data-cell='orientation-now']")).not().hasText(before);
        page.locator("#reason").fill("the pin leans");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Book it"))
                .click();
        assertThat(page.locator(".finding.stop")).hasCount(0);
        assertThat(page.locator("[data-off='B1:direction']")).not().isChecked();
        Setup.Orientation by = JobFile.read(
                        page.request().get(job + "/deliver/job-file").body())
                .setup("S1")
                .orElseThrow()
                .orientation();
        Assertions.assertThat(by).isInstanceOf(Setup.BySights.class);
        Assertions.assertThat(by.uses("B1", Setup.Part.DIRECTION)).isFalse();
        Assertions.assertThat(by.uses("B2", Setup.Part.DIRECTION)).isTrue();
    }
}
