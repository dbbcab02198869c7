package markturn.web.setup;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.regex.Pattern;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * What was said of digits typed before is not left standing beside others, where nothing is answered of these; and no late answer takes the place
 * of what was typed. Common practice, no source.
 */
@ExtendWith(House.class)
class UnansweredTest {
    private static final Pattern ASKED = Pattern.compile(".*/setup/(height|effects)\\?.*");

    @Test
    void whatIsSaidOfAHeightIsOfThatHeight(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Unanswered");
        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.5");
        assertThat(page.locator("#height-echo")).containsText("1.500");
        page.route(ASKED, Route::abort);
        page.locator("#height").fill("1.6");
        assertThat(page.locator("#height-echo")).isEmpty();
        page.unroute(ASKED);
        page.locator("#height").fill("1.7");
        assertThat(page.locator("#height-echo")).containsText("1.700");
    }

    @Test
    void whatIsTypedWhileTheSensorIsAskedStays(House house) {
        Page page = house.signedIn("wren");
        page.getByText("Open a practice job").click();
        page.waitForURL("**/setup");
        page.route("**/setup/weather?*", answer -> {
            page.locator("#temperature").fill("21.5");
            answer.resume();
        });
        page.locator("#ask-weather").click();
        assertThat(page.locator("#pressure")).not().hasValue("");
        assertThat(page.locator("#temperature")).hasValue("21.5");
    }
}
