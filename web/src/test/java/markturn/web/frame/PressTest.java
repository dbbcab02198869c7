package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.BoundingBox;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Whoever presses a button gets what it stood for: what is said of the field just left moves nothing beneath the hand. */
@ExtendWith(House.class)
class PressTest {
    /** Milliseconds: longer than the hand rests and the answer takes. */
    private static final int LONG_ENOUGH = 1500;

    @Test
    void nothingMovesUnderAPressedButton(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "A slow thumb");
        page.navigate(job + "/setup");
        page.locator("#method").selectOption("angles");
        page.locator("#freeStation").fill("P");
        page.locator("#backsightAt").fill("10 00 00");
        page.locator("[name='back-0']").fill("CHIMNEY");
        Locator begin = page.getByText("Begin the setup");
        // The browser brings what is being typed back into view, a while later: the hand goes to the button after that.
        page.waitForTimeout(LONG_ENOUGH);
        begin.hover();
        page.waitForTimeout(LONG_ENOUGH);
        BoundingBox before = begin.boundingBox();
        // As if the last digit of the height had been typed just before.
        page.locator("#height")
                .evaluate(
                        "(field, value) => { field.value = value;"
                                + " field.dispatchEvent(new Event('input', { bubbles: true })); }",
                        "1.5");
        page.mouse().down();
        page.waitForTimeout(LONG_ENOUGH);
        assertThat(begin.boundingBox().y).isEqualTo(before.y);
        assertThat(page.locator("#height-echo").textContent()).isEmpty();
        page.mouse().up();
        PlaywrightAssertions.assertThat(page.locator("main")).containsText("CHIMNEY");
        page.waitForURL("**/turning/**");
    }
}
