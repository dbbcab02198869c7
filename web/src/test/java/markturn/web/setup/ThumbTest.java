package markturn.web.setup;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Setting up with one thumb: act by act, choices before text, own keys for numbers. */
@ExtendWith(House.class)
class ThumbTest {
    private int touched;

    private void tap(Locator control) {
        control.tap();
        touched++;
    }

    /** A field is touched once; its digits come from our own keys. */
    private void number(Page page, String field, String digits) {
        tap(page.locator("[name='" + field + "']"));
        assertThat(page.locator("[name='" + field + "']")).hasAttribute("inputmode", "none");
        for (char digit : digits.toCharArray()) {
            page.locator("#keys [data-key='" + digit + "']").tap();
        }
        assertThat(page.locator("[name='" + field + "']")).hasValue(digits);
    }

    private static Locator choice(Page page, String step, String value) {
        return page.locator("[data-step='" + step + "'] .choice[value='" + value + "']:visible")
                .first();
    }

    /** The number of taps and fields is the promise of the issue that asked for this shape: common practice, no source. */
    @Test
    void aUsualSetupTakesTwelveTapsAndFields(House house) {
        Page page = house.signedInByTouch("wren", 390, 844);
        String job = TypedDay.openJob(page, "By one thumb");
        firstSetupWithAir(page, job);

        page.navigate(job + "/setup");
        Locator next = page.locator("#step-next");
        // One act is on the screen, and nothing the last setup knew stands in a field.
        assertThat(page.locator("#height")).isHidden();
        tap(choice(page, "1", "B"));
        tap(next);
        tap(next);
        assertThat(page.locator("#height")).hasValue("");
        number(page, "height", "1.512");
        number(page, "heightAgain", "1.513");
        assertThat(page.locator("#height-echo")).containsText("the mean is kept");
        tap(next);
        assertThat(page.locator("#temperature")).hasValue("");
        tap(page.locator(".offered"));
        assertThat(page.locator("#temperature")).hasValue("14.0");
        tap(next);
        tap(choice(page, "5", "A"));
        tap(choice(page, "5", "Prism"));
        number(page, "back-0-height", "1.600");
        tap(page.locator("#step-begin"));
        page.waitForURL("**/turning/S2");
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight A. Prism 1.600.");
        Assertions.assertThat(touched).isLessThanOrEqualTo(12);
    }

    private static void firstSetupWithAir(Page page, String job) {
        page.setViewportSize(1280, 800);
        page.navigate(job + "/setup");
        page.locator("#temperature").fill("14");
        page.locator("#pressure").fill("1009");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        TypedDay.type(page, "back-0", "B", "back-0-height", "1.500");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("#step-begin").click();
        page.waitForURL("**/turning/S1");
        page.setViewportSize(390, 844);
    }

    /** The act in which something is at fault comes up, with its sentence. */
    @Test
    void whatIsAtFaultComesUp(House house) {
        Page page = house.signedInByTouch("wren", 360, 640);
        String job = TypedDay.openJob(page, "At fault");
        page.navigate(job + "/setup");
        choice(page, "1", "A").tap();
        for (int step = 1; step < 5; step++) {
            page.locator("#step-next").tap();
        }
        choice(page, "5", "B").tap();
        choice(page, "5", "Prism").tap();
        page.locator("[name='back-0-height']").tap();
        page.locator("#keys [data-key='1']").tap();
        page.locator("#step-begin").tap();
        assertThat(page.locator("#fault-height")).isVisible();
        assertThat(page.locator("#fault-height")).containsText("expected the height of the instrument");
        // What is under the thumb stays within the screen.
        var bar = page.locator(".step-bar").boundingBox();
        Assertions.assertThat(bar.y + bar.height).isLessThanOrEqualTo(640);
    }

    /** A table wider than the screen says so. */
    @Test
    void aTableThatScrollsSaysSo(House house) {
        Page page = house.signedInByTouch("wren", 360, 640);
        page.navigate(house.demo(page) + "/setup");
        assertThat(page.locator("table.sheet.scrolls").first()).isVisible();
        page.setViewportSize(1280, 800);
        assertThat(page.locator("table.sheet.scrolls")).hasCount(0);
    }
}
