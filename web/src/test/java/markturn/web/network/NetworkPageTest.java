package markturn.web.network;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.time.Duration;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The page of the whole job in one adjustment. */
@ExtendWith(House.class)
class NetworkPageTest {
    private static Page opened(House house, Job job) {
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        page.getByText("The whole job in one adjustment").click();
        page.waitForURL("**/network");
        return page;
    }

    @Test
    void theDemoIsAdjustedAndItsResidualsAreSorted(House house) {
        Page page = opened(house, AlderWeir.job());
        assertThat(page.locator("main"))
                .containsText(Pattern.compile("variance factor \\d+\\.\\d\\d from \\d+ left over"));
        assertThat(page.locator("main")).containsText("POND 1");
        // Pillar 4 of the demo was knocked: the sights agree with each other and not with it.
        assertThat(page.locator(".verdict")).containsText("not with the control");
        assertThat(page.locator(".verdict")).containsText("to PILLAR 4");
        assertThat(page.locator(".faults tbody tr").first()).containsText("control mark of PILLAR 4");
        assertThat(page.locator(".hidden-errors")).containsText("POND 1");
        assertThat(page.locator(".residuals tbody tr").first()).containsText(Pattern.compile("PILLAR 4.*look at it"));
        assertThat(page.locator(".residuals tbody tr").last()).containsText("nothing checks it");
    }

    @Test
    void aGapBeyondChanceIsNotCalledUncontradicted(House house) {
        // The demo's pond closes by 12 mm where chance predicts 8: the drawing and the table must say the same.
        Page page = opened(house, AlderWeir.job());
        page.getByText("Back to the figures").click();
        assertThat(page.locator(".misclosures")).containsText("more than chance, within its limit");
        assertThat(page.locator("article .figure-drawing")).containsText("outside what chance predicts");
    }

    @Test
    void aJobWithoutSightsSaysThatThereIsNothingToAdjust(House house) {
        assertThat(opened(house, AlderWeir.blank()).locator(".verdict")).containsText("there is nothing to adjust");
    }

    @Test
    void controlIsSwitchedTriedAndBookedWithAReason(House house) {
        Page page = opened(house, AlderWeir.job());
        String held = page.locator(".sheet").first().textContent();
        page.getByLabel("PILLAR 4 is observed").check();
        page.getByLabel("One sigma of an observed one").fill("0.050");
        page.getByText("Adjust with this").click();
        page.waitForURL("**/network?**");
        // Freed, the knocked pillar no longer strains the figure.
        assertThat(page.locator(".verdict")).not().containsText("not with the control");
        page.screenshot(new Page.ScreenshotOptions()
                .setPath(java.nio.file.Path.of("/tmp/net2.png"))
                .setFullPage(true));
        Assertions.assertThat(page.locator(".sheet").first().textContent()).isNotEqualTo(held);
        assertThat(page.locator("article")).containsText("nothing is adopted from this");
        page.getByText("Book it").click();
        assertThat(page.locator(".message")).containsText("needs a reason");
        assertThat(page.getByLabel("PILLAR 4 is observed")).isChecked();
        page.locator("input[name=reason]").last().fill("knocked by the digger");
        page.getByText("Book it").click();
        page.waitForURL(Pattern.compile(".*/network$"));
        assertThat(page.getByLabel("PILLAR 4 is observed")).isChecked();
        assertThat(page.locator(".verdict")).not().containsText("not with the control");
        page.getByLabel("One sigma of an observed one").fill("five");
        page.getByText("Adjust with this").click();
        assertThat(page.locator(".control-switch .fault")).containsText("\"five\" is no number");
    }

    @Test
    void aReviewerAdoptsTheNetworkAndASurveyorCannot(House house) {
        Job job = AlderWeir.job();
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren", "ida"));
        Page surveyor = house.signedIn("wren");
        surveyor.navigate("/job/" + id + "/network");
        surveyor.locator("article input[name=reason]").fill("not mine to adopt");
        surveyor.getByText("Show what moves").click();
        assertThat(surveyor.locator("h1")).hasText("Not for this account");
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/network");
        page.getByText("Show what moves").click();
        assertThat(page.locator(".message")).containsText(Pattern.compile("needs a reason|A stop is open"));
    }

    @Test
    void aLongOneShowsHowFarItIsAndCanBeCancelled(House house) {
        NetworkRuns runs = house.application().getBean(NetworkRuns.class);
        runs.setPatience(Duration.ZERO);
        try {
            Page page = opened(house, AlderWeir.job());
            // It was not there at once: the page that waits shows it as soon as it is.
            assertThat(page.locator(".verdict")).containsText("not with the control");
        } finally {
            runs.setPatience(Duration.ofSeconds(2));
        }
        NetworkRuns.Asked asked = new NetworkRuns.Asked("none", 1, "");
        runs.setPatience(Duration.ZERO);
        try {
            runs.soon(asked, () -> Survey.compute(AlderWeir.job()));
            runs.cancel(asked);
            Assertions.assertThat(runs.known(asked)).isEmpty();
            // Asked again it begins again.
            runs.setPatience(Duration.ofSeconds(10));
            Assertions.assertThat(runs.soon(asked, () -> Survey.compute(AlderWeir.job())))
                    .isPresent();
        } finally {
            runs.setPatience(Duration.ofSeconds(2));
        }
    }
}
