package markturn.web.pocket;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** How a job stands on a device is told every few seconds: that takes nothing from beneath a hand. Common practice, no source. */
@ExtendWith(House.class)
class StripTest {
    private static final String TELL = """
            ([job, reasons]) => new BroadcastChannel("pocket").postMessage({
              job, taken: { sentAt: "2026-05-04T07:11:15Z", entries: 9 }, waiting: 0,
              aside: reasons.map(reason => ({ key: reason, words: "mark E", at: "2026-05-04T07:11:15Z", reason })) })
            """;

    private static void tell(Page page, String job, String... reasons) {
        page.evaluate(TELL, new Object[] {job.replace("/job/", ""), reasons});
    }

    @Test
    void whatIsToldWhileAButtonIsPressedTakesNothingFromBeneathTheHand(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Told under a hand");
        page.navigate(job);
        tell(page, job, "E is in this job already.");
        page.evaluate("document.addEventListener('click', event => { window.pressed = event.target.textContent; })");
        page.getByText("I have read it").hover();
        page.mouse().down();
        tell(page, job, "D is in this job already.", "E is in this job already.");
        page.waitForTimeout(200);
        page.mouse().up();
        Assertions.assertThat(page.evaluate("window.pressed")).isEqualTo("I have read it");
        assertThat(page.locator("#pocket-aside li")).hasCount(2);
        tell(page, job, "E is in this job already.");
        assertThat(page.locator("#pocket-aside li")).hasCount(1);
    }

    /** What is done with a line is under way until the line is told again, even in the same words. */
    @Test
    void aLineThatIsPressedTakesNoSecondPressBeforeItIsToldAgain(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Pressed twice");
        page.navigate(job);
        tell(page, job, "E is in this job already.");
        page.getByText("Book it again").click();
        assertThat(page.getByText("I have read it")).isDisabled();
        tell(page, job, "E is in this job already.");
        assertThat(page.getByText("I have read it")).isEnabled();
    }
}
