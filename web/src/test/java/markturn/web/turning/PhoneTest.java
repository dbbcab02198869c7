package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** At the tripod with a phone in one hand: own keys, no keyboard of the system, and nothing lost by a wrong tap. */
@ExtendWith(House.class)
class PhoneTest {
    private static void tap(Page page, String digits) {
        for (char digit : digits.toCharArray()) {
            String key = digit == ' ' ? "blank" : String.valueOf(digit);
            page.locator("#keys [data-key='" + key + "']").tap();
        }
    }

    private static void key(Page page, String name) {
        page.locator("#keys [data-key='" + name + "']").tap();
    }

    @Test
    void aPointingIsTappedBookedStruckAndRestored(House house) {
        Page page = house.signedInByTouch("wren", 360, 640);
        String job = TypedDay.openJob(page, "By thumb");
        page.setViewportSize(1280, 800);
        TypedDay.occupy(page, job, "T1");
        page.setViewportSize(360, 640);
        for (String field : new String[] {"#circle", "#zenith", "#slope"}) {
            assertThat(page.locator(field)).hasAttribute("inputmode", "none");
        }

        // A wrong digit goes with one tap; what is typed is echoed as it is understood.
        tap(page, "0 00 09");
        key(page, "back");
        tap(page, "4");
        assertThat(page.locator("#circle")).hasValue("0 00 04");
        assertThat(page.locator("#echo-circle")).containsText("0°00'04\"");
        key(page, "next");
        assertThat(page.locator("#zenith")).isFocused();
        tap(page, "89 64 49");
        assertThat(page.locator("#echo-zenith")).containsText("Minutes 64: they end at 59");
        for (int i = 0; i < 5; i++) {
            key(page, "back");
        }
        tap(page, "42 49");
        key(page, "next");
        tap(page, "100.001");
        page.locator("#book-act").tap();
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight T1.");
        assertThat(page.locator("#circle")).hasValue("");
        assertThat(page.locator("#on-disk")).containsText("1 stored");

        // The second tap of a shaking thumb finds nothing to book.
        page.locator("#book-act").tap();
        assertThat(page.locator("#echo-circle")).containsText("Empty");
        assertThat(page.locator("#on-disk")).containsText("1 stored");

        page.locator("#strike-last").tap();
        Locator reasons = page.locator("#strike-panel .reasons button");
        assertThat(reasons).hasCount(4);
        for (Locator reason : reasons.all()) {
            assertThat(reason.boundingBox().height).isGreaterThanOrEqualTo(44);
        }
        reasons.first().tap();
        assertThat(page.locator("tr.struck")).containsText("typed wrong");
        // The struck line stays legible, and its pointing comes up again.
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B.");
        page.locator("#book tr.struck .restore").tap();
        assertThat(page.locator("tr.struck")).hasCount(0);
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight T1.");
    }

    @Test
    void theLiveLineTheKeysAndBookAreSeenAtOnce(House house) {
        Page page = house.signedInByTouch("wren", 360, 640);
        page.navigate(house.demo(page) + "/turning/S4");
        page.waitForFunction("() => document.getElementById('circle').getBoundingClientRect().top > 0");
        for (String what : new String[] {"#sentence", "#circle", "#keys", "#book-act"}) {
            var box = page.locator(what).boundingBox();
            assertThat(box.y).as(what).isGreaterThanOrEqualTo(0);
            assertThat(box.y + box.height).as(what).isLessThanOrEqualTo(640);
        }
    }

    @Test
    void theWayShowsWhereThePageStands(House house) {
        Page page = house.signedInByTouch("wren", 360, 640);
        String job = house.demo(page);
        for (String room : new String[] {"/mark", "/setup", "/deliver"}) {
            page.navigate(job + room);
            assertThat(page.locator(".way .here .way-name"))
                    .isInViewport(new LocatorAssertions.IsInViewportOptions().setRatio(1));
        }
    }
}
