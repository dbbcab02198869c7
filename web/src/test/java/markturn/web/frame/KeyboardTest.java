package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A whole job with the keyboard alone, from the sign-in to the report. Nothing is clicked, filled or focused by the test. */
@ExtendWith(House.class)
class KeyboardTest {
    private static final int MOST_STEPS = 260;

    /** Walks with Tab until what has the focus matches, and can be seen to have it. */
    private static void reach(Page page, String selector) {
        for (int i = 0; i < MOST_STEPS; i++) {
            if ((Boolean) page.evaluate("s => document.activeElement?.matches(s) ?? false", selector)) {
                Assertions.assertThat(
                                page.evaluate(
                                        "getComputedStyle(document.activeElement).outlineStyle + getComputedStyle(document.activeElement).borderBottomStyle"))
                        .as("the focus on " + selector)
                        .isNotEqualTo("nonenone");
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("Tab never reached " + selector + " on " + page.url());
    }

    private static void type(Page page, String selector, String text) {
        reach(page, selector);
        page.keyboard().type(text);
    }

    private static void press(Page page, String selector) {
        reach(page, selector);
        page.keyboard().press("Enter");
    }

    @Test
    void fromTheSignInToTheReport(House house) {
        Page page = house.visitor();
        page.navigate("/sign-in");
        type(page, "input[name=username]", "sol");
        type(page, "input[name=password]", "alder-weir");
        page.keyboard().press("Enter");
        page.waitForURL("**/job");
        press(page, ".practice-open button");
        page.waitForURL("**/setup");
        type(page, "#station", "PILLAR 1");
        type(page, "#plummet", "0.5");
        type(page, "#tiltAlong", "4");
        type(page, "#tiltAcross", "-3");
        type(page, "#height", "1.602");
        type(page, "#heightAgain", "1.603");
        type(page, "[name=back-0]", "PILLAR 2");
        type(page, "[name=back-0-reflector]", "Prism");
        type(page, "[name=back-0-height]", "1.500");
        type(page, "[name=fore-0]", "POND 1");
        type(page, "[name=fore-0-reflector]", "Prism");
        type(page, "[name=fore-0-height]", "1.480");
        press(page, "form#occupy button.act");
        page.waitForURL("**/turning/**");
        // Enter on the empty line takes the reading, again and again until the sets are turned.
        assertThat(page.locator("#circle")).isFocused();
        for (int left = 8; left > 0; left--) {
            assertThat(page.locator("tr.ink")).hasCount(8 - left);
            page.keyboard().press("Enter");
        }
        assertThat(page.locator(".through")).isVisible();
        press(page, ".through a.act");
        page.waitForURL("**/review/**");
        press(page, "form[data-path='/accept'] button");
        page.waitForLoadState();
        assertThat(page.locator("main")).containsText(Pattern.compile("[Aa]ccepted"));
        press(page, ".way a[href$='/detail']");
        page.waitForURL("**/detail/**");
        assertThat(page.locator("#circle")).isFocused();
        page.keyboard().press("k");
        page.keyboard().press("Enter");
        assertThat(page.locator("tr[data-line]")).not().hasCount(0);
        assertThat(page.locator("tr[data-line] .place").last()).containsText("N ");
        press(page, ".way a[href$='/deliver']");
        page.waitForURL("**/deliver");
        press(page, "a[href$='/deliver/report']");
        page.waitForURL("**/report");
        assertThat(page.locator("h1")).hasText("Alder Weir");
        assertThat(page.locator("body")).containsText("Appendix: the raw field book");
    }
}
