package markturn.web.detail;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** On a slow line a code is chosen and the reading typed at once: what is typed while the answer is on its way stays. Common practice, no source. */
@ExtendWith(House.class)
class TypedMeanwhileTest {
    private static final Pattern VIEW = Pattern.compile(".*/detail/S2/view.*");

    private static Page opened(House house) {
        String id = house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2");
        assertThat(page.locator("#sentence")).hasText("Sight 2004. Pole at 2.000.");
        return page;
    }

    @Test
    void digitsAndTheFieldTheyAreTypedInStay(House house) {
        Page page = opened(house);
        List<Route> held = new ArrayList<>();
        page.route(VIEW, held::add);
        page.locator("[data-choose-code='WALL']").press("Enter");
        page.waitForCondition(() -> !held.isEmpty());
        page.locator("#circle").fill("61-00-00");
        page.locator("#zenith").pressSequentially("90-1");
        held.get(0).resume();
        assertThat(page.locator("#sentence")).hasText("Sight 304, on line 1. Pole at 2.000.");
        page.keyboard().type("0-00");
        assertThat(page.locator("#circle")).hasValue("61-00-00");
        assertThat(page.locator("#zenith")).hasValue("90-10-00");
    }

    @Test
    void aLineThatIsGoneIsSaidAndNothingIsLost(House house) {
        Page page = opened(house);
        page.locator("#circle").fill("61-00-00");
        page.route(VIEW, Route::abort);
        page.locator("[data-choose-code='WALL']").press("Enter");
        assertThat(page.locator("#message")).containsText("The server cannot be reached: nothing was changed.");
        assertThat(page.locator("#circle")).hasValue("61-00-00");
        assertThat(page.locator("#sentence")).hasText("Sight 2004. Pole at 2.000.");
    }

    @Test
    void anActOnAnotherLineLeavesTheHandWhereItTypes(House house) {
        Page page = opened(house);
        List<Route> held = new ArrayList<>();
        page.route(Pattern.compile(".*/detail/S2/strike.*"), held::add);
        var wall = page.locator("tr[data-line]", new Page.LocatorOptions().setHasText("2003"))
                .last();
        wall.locator("summary").click();
        wall.locator(".line-panel button").first().click();
        page.waitForCondition(() -> !held.isEmpty());
        page.locator("#circle").fill("61-00-00");
        page.locator("#zenith").pressSequentially("90-1");
        page.waitForResponse(
                Pattern.compile(".*/detail/S2/strike.*"), () -> held.get(0).resume());
        page.waitForTimeout(300);
        page.keyboard().type("0-00");
        assertThat(page.locator("#circle")).hasValue("61-00-00");
        assertThat(page.locator("#zenith")).hasValue("90-10-00");
    }

    @Test
    void anAnswerFromBeforeALineWasBookedDoesNotTakeItAway(House house) {
        Page page = opened(house);
        String before =
                page.locator("[data-choose-reflector][aria-pressed=true]").textContent();
        List<Runnable> late = new ArrayList<>();
        page.route(VIEW, route -> {
            if (!late.isEmpty()) {
                route.resume();
                return;
            }
            APIResponse asThen = route.fetch();
            late.add(() -> route.fulfill(new Route.FulfillOptions().setResponse(asThen)));
        });
        page.locator("[data-choose-reflector][aria-pressed=false]").first().press("Enter");
        page.waitForCondition(() -> !late.isEmpty());
        page.locator("#circle").fill("61-00-00");
        page.locator("#zenith").fill("90-10-00");
        page.locator("#slope").fill("22.500");
        page.locator("#slope").press("Enter");
        assertThat(page.locator("#sentence")).hasText("Sight 2005. Pole at 2.000.");
        late.get(0).run();
        assertThat(page.locator("[data-choose-reflector][aria-pressed=true]"))
                .not()
                .hasText(before);
        assertThat(page.locator("#sentence")).containsText("Sight 2005.");
    }
}
