package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Setups and marks with the names that people give them. Source: RFC 3986, the signs that mean something in a path. */
@ExtendWith(House.class)
class NamesInAddressesTest {
    @Test
    void everyPageOfAnOddlyNamedSetupAndMarkIsReached(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Odd names");
        page.navigate(job + "/setup");
        page.locator("#name").fill("S/1 #2?;%");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        page.getByText("How the sets are turned").click();
        page.locator("#sets").fill("1");
        page.locator("[name='back-0']").fill("B");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("1.500");
        page.locator("[name='fore-0']").fill("12/3#?");
        page.locator("[name='fore-0-reflector']").selectOption("Prism");
        page.locator("[name='fore-0-height']").fill("1.500");
        page.getByText("Begin the setup").click();
        assertThat(page.locator("h1")).hasText("S/1 #2?;% on A");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.000");
        TypedDay.book(page, "60 00 00", "90 00 00", "50.000");
        page.locator(".turning-strip a", new Page.LocatorOptions().setHasText("Review"))
                .click();
        assertThat(page.locator("h1")).hasText("S/1 #2?;% on A");
        page.locator(".finding-place a", new Page.LocatorOptions().setHasText("12/3#?"))
                .first()
                .click();
        assertThat(page.locator("h1")).hasText("12/3#?");
        page.locator("td a", new Page.LocatorOptions().setHasText("S/1 #2?;%")).click();
        assertThat(page.locator("h1")).hasText("S/1 #2?;% on A");
        page.getByText("Go back to the sets").click();
        page.locator(".way a", new Page.LocatorOptions().setHasText("Detail")).click();
        assertThat(page.locator("h1")).hasText("S/1 #2?;% on A, detail");
        page.locator("#name").fill("5/1");
        page.locator("#height").fill("1.5");
        TypedDay.type(page, "circle", "20 00 00", "zenith", "90 00 00", "slope", "10");
        page.locator("#book-act").click();
        assertThat(page.locator("tr[data-line]").last()).containsText("5/1");
    }
}
