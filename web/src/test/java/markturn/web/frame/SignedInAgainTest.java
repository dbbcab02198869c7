package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * A page that stood open longer than its sign-in goes on once the same person has signed in elsewhere in the browser, and for nobody else;
 * and what is refused is refused with its reason. Common practice, no source.
 */
@ExtendWith(House.class)
class SignedInAgainTest {
    private static void signInBeside(Page page, String name) {
        page.context().clearCookies();
        Page other = page.context().newPage();
        House.signIn(other, name);
        other.close();
    }

    private static void book(Page page) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Book").setExact(true))
                .click();
    }

    @Test
    void aLineThatWaitsGoesOutAfterTheNextSignIn(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Signed in again");
        TypedDay.occupy(page, job, "");
        Locator message = page.locator("#message");
        page.context().clearCookies();
        TypedDay.type(page, "circle", "0 00 00", "zenith", "89 42 49", "slope", "100.001");
        book(page);
        assertThat(message).containsText("The line waits: the sign-in has expired");
        // Somebody else takes the device for a moment: nothing is booked in their name.
        signInBeside(page, "ida");
        book(page);
        assertThat(message).containsText("This belongs to another account");
        assertThat(page.locator("tr.ink")).hasCount(0);
        signInBeside(page, "wren");
        book(page);
        assertThat(page.locator("tr.ink")).hasCount(1);
        // So does an act.
        signInBeside(page, "wren");
        page.locator("tr.ink .open-strike").first().click();
        page.locator("[data-reason]").first().click();
        assertThat(page.locator("tr.struck")).hasCount(1);
    }

    @Test
    void aFormThatStoodOpenIsTakenIn(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Stood open");
        page.navigate(job);
        page.getByText("Its name and place; archive").click();
        page.locator("form[action$='/name'] [name=name]").fill("Stood open for long");
        page.locator("form[action$='/name'] [name=reason]").fill("it did");
        signInBeside(page, "wren");
        page.getByText("Take this name and place").click();
        assertThat(page.locator(".house-job")).hasText("Stood open for long");
    }

    @Test
    void whatIsRefusedSaysWhy(House house) {
        Page page = house.signedIn("wren");
        page.navigate("/job");
        Object said = page.evaluate("async () => {"
                + "const headers = { [document.querySelector('meta[name=csrf-header]').content]: document.querySelector('meta[name=csrf]').content,"
                + " 'X-Requested-With': 'fetch' };"
                + "const answer = await fetch('/job/00000000-0000-0000-0000-000000000000/turning/S1/reading', { method: 'POST', headers });"
                + "return answer.status + ' ' + (await answer.json()).detail; }");
        Assertions.assertThat(said.toString()).startsWith("404 There is nothing here for you");
    }
}
