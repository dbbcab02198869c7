package markturn.web.people;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** An office opens accounts by links, and people keep their own. */
@ExtendWith(House.class)
class OfficeTest {
    private static final String GOOD = "four herons by the weir";

    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
    }

    private static String invite(Page office, String name, String shown, String... roles) {
        office.navigate("/office/people");
        office.locator("#shownName").fill(shown);
        office.locator("#signInName").fill(name);
        for (String role : roles) {
            office.locator("#" + role).check();
        }
        press(office, "Open the account");
        return office.locator("#link").textContent().replaceFirst("^https?://[^/]+", "");
    }

    private static void choose(Page page, String link, String password, String again) {
        page.navigate(link);
        page.locator("#password").fill(password);
        page.locator("#again").fill(again);
        press(page, "Take it");
    }

    /** Chosen, and taken: nobody signs in with a password before the page says so. */
    private static void chosen(Page page, String link, String password) {
        choose(page, link, password, password);
        page.waitForURL("**/sign-in?welcome");
    }

    private static Page signIn(Page page, String name, String password) {
        page.navigate("/sign-in");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill(password);
        page.keyboard().press("Enter");
        return page;
    }

    @Test
    void aLinkThatIsHandedOverWorksOnce(House house) {
        Page office = house.signedIn("tam");
        String link = invite(office, "una", "Una Fell", "surveyor");
        assertThat(office.locator("tr", new Page.LocatorOptions().setHasText("Una Fell")))
                .containsText("link until");
        Page una = house.visitor();
        choose(una, link, "short", "short");
        assertThat(una.locator(".fault")).containsText("12 signs or more");
        choose(una, link, "Password123456", "Password123456");
        assertThat(una.locator(".fault")).containsText("one of the first that anybody would try");
        choose(una, link, "una likes the weir", "una likes the weir");
        assertThat(una.locator(".fault")).containsText("It holds the sign-in name");
        choose(una, link, GOOD, GOOD + "s");
        assertThat(una.locator(".fault")).containsText("differs from the first");
        chosen(una, link, GOOD);
        signIn(una, "una", GOOD).waitForURL("**/job");
        // What opened it once opens it no more.
        Page again = house.visitor();
        again.navigate(link);
        assertThat(again.locator("h1")).hasText("This link does not work");
        // A surveyor opens no accounts, and is shown no link there.
        assertThat(una.locator(".house-looks")).not().containsText("People");
        Assertions.assertThat(una.request().get("/office/people").status()).isEqualTo(403);
        office.reload();
        assertThat(office.locator("main")).containsText("opened the account una, surveyor");
        assertThat(office.locator("main")).containsText("chose a password by a link");
    }

    @Test
    void whatIsNoNameIsSaidAndWhatIsTypedStays(House house) {
        Page office = house.signedIn("tam");
        office.navigate("/office/people");
        office.locator("#shownName").fill("Second Wren");
        office.locator("#signInName").fill("wren");
        office.locator("#reviewer").check();
        press(office, "Open the account");
        assertThat(office.locator(".message")).containsText("wren is taken");
        assertThat(office.locator("#reviewer")).isChecked();
        assertThat(office.locator("#surveyor")).not().isChecked();
        assertThat(office.locator("#shownName")).hasValue("Second Wren");
        office.locator("#signInName").fill("Two Words");
        press(office, "Open the account");
        assertThat(office.locator(".message")).containsText("\"Two Words\" is no sign-in name: expected");
        press(office, "Disable ida");
        assertThat(office.locator("tr", new Page.LocatorOptions().setHasText("Ida Marsh")))
                .containsText("disabled");
        press(office, "Enable ida");
        assertThat(office.locator("tr", new Page.LocatorOptions().setHasText("Ida Marsh")))
                .not()
                .containsText("disabled");
        // Nobody locks themselves out.
        assertThat(office.locator("[aria-label='Disable tam']")).hasCount(0);
        office.locator("[aria-label='tam, administrator']").uncheck();
        press(office, "Give tam these roles");
        assertThat(office.locator(".message")).containsText("You would lock yourself out");
    }

    @Test
    void anAccountIsItsOwnersUntilItIsDisabled(House house) {
        Page office = house.signedIn("tam");
        String link = invite(office, "gil", "Gil Beck", "reviewer");
        chosen(house.visitor(), link, GOOD);
        Page here = signIn(house.visitor(), "gil", GOOD);
        here.waitForURL("**/job");
        Page elsewhere = signIn(house.visitor(), "gil", GOOD);
        elsewhere.waitForURL("**/job");
        here.navigate("/account");
        here.locator("#shownName").fill("Gil Beckett");
        press(here, "Take this name");
        assertThat(here.locator("h1")).hasText("Gil Beckett");
        assertThat(here.getByText("End it")).hasCount(1);
        // A password is changed by who knows it, and ends every other sign-in.
        here.locator("#old").fill("not that one at all");
        here.locator("#password").fill("a kingfisher under the bridge");
        here.locator("#again").fill("a kingfisher under the bridge");
        press(here, "Change the password");
        assertThat(here.locator(".fault")).containsText("not the present password");
        here.locator("#old").fill(GOOD);
        here.locator("#password").fill("a kingfisher under the bridge");
        here.locator("#again").fill("a kingfisher under the bridge");
        press(here, "Change the password");
        assertThat(here.locator(".said")).containsText("The password is changed");
        elsewhere.navigate("/job");
        elsewhere.waitForURL("**/sign-in?expired");
        // One is ended from the other.
        Page phone = signIn(house.visitor(), "gil", "a kingfisher under the bridge");
        phone.waitForURL("**/job");
        here.navigate("/account");
        press(here, "End it");
        phone.navigate("/job");
        phone.waitForURL("**/sign-in?expired");
        office.navigate("/office/people");
        press(office, "Disable gil");
        here.navigate("/job");
        here.waitForURL("**/sign-in**");
        signIn(here, "gil", "a kingfisher under the bridge");
        assertThat(here.locator(".fault")).isVisible();
        // Enabled again, with a new link for whoever forgot.
        press(office, "Enable gil");
        press(office, "New link for gil");
        String second = office.locator("#link").textContent().replaceFirst("^https?://[^/]+", "");
        chosen(house.visitor(), second, "seven otters at the pond");
        signIn(here, "gil", "seven otters at the pond").waitForURL("**/job");
    }

    @Test
    void wrongTriesReachTheAdministrator(House house) {
        String link = invite(house.signedIn("tam"), "ned", "Ned Crook");
        chosen(house.visitor(), link, GOOD);
        Page stranger = house.visitor();
        for (int i = 0; i < 5; i++) {
            signIn(stranger, "ned", "wrong-" + i);
            assertThat(stranger.locator(".fault")).isVisible();
        }
        Page office = house.signedIn("tam");
        office.navigate("/office/people");
        assertThat(office.locator("main")).containsText("5 wrong passwords for ned from 127.0.0.1");
    }
}
