package markturn.web.traverse;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A route as it is typed: what cannot be one is said under its field, and nothing that was typed is lost. */
@ExtendWith(House.class)
class RouteTest {
    private static String opened(House house) {
        return house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren", "ida"));
    }

    private static void take(Page page, String name, String route) {
        page.locator("#name").fill(name);
        page.locator("#route").fill(route);
        page.locator("#rule").selectOption("transit");
        page.locator(".route-form button").last().click();
        page.waitForLoadState();
    }

    @Test
    void whatIsNoRouteIsSaidAndStaysTyped(House house) {
        String id = opened(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        take(page, "Short", "POND 1");
        assertThat(page.locator("#fault-route"))
                .hasText("Expected at least two stations in order, separated by commas");
        assertThat(page.locator("#name")).hasValue("Short");
        assertThat(page.locator("#rule")).hasValue("transit");
        take(page, "", "POND 1, NOWHERE");
        assertThat(page.locator("#fault-name")).hasText("Empty: expected a name for the traverse");
        assertThat(page.locator("#fault-route")).hasText("There is no mark NOWHERE in this job");
        assertThat(page.locator("#route")).hasValue("POND 1, NOWHERE");
        take(page, "Short", "PILLAR 1, POND 1");
        assertThat(page.locator("#fault-route")).hasCount(0);
        Assertions.assertThat(house.application()
                        .getBean(FieldBook.class)
                        .book(id, "wren")
                        .job()
                        .traverses())
                .extracting(traverse -> traverse.name())
                .contains("Short");
    }

    @Test
    void nothingIsAdoptedWhileAStopIsOpen(House house) {
        String id = opened(house);
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/traverse");
        page.locator("form[action$='/traverse/adopt'] [name=reason]").first().fill("it closes");
        page.locator("form[action$='/traverse/adopt'] button").first().click();
        assertThat(page.locator(".message"))
                .hasText("A stop is open in this job: it must be answered before anything is adopted.");
        Assertions.assertThat(house.application()
                        .getBean(FieldBook.class)
                        .book(id, "ida")
                        .job()
                        .adopted())
                .hasSameSizeAs(AlderWeir.job().adopted());
    }
}
