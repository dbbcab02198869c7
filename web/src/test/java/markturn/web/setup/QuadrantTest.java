package markturn.web.setup;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Bearings by quadrant, typed and shown. Source: textbook definition. */
@ExtendWith(House.class)
class QuadrantTest {
    @Test
    void anAzimuthIsTypedAndShownByQuadrant(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Quadrants", "quadrant");
        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        page.getByText("How the sets are turned").click();
        page.locator("#sets").fill("1");
        page.locator("[name='back-0']").fill("SPIRE");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("0");
        page.locator("details.orient summary, summary:has-text('No known mark to sight')")
                .first()
                .click();
        page.locator("#orientation").selectOption("azimuth");
        page.locator("#azimuth").fill("S 45-10-20 W");
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#sentence")).containsText("Sight SPIRE");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.000");
        page.navigate(job + "/review/S1");
        // The azimuth of the zero of the circle, 225°10'20".
        assertThat(page.locator("main")).containsText("S 45°10'20.0\" W");
    }
}
