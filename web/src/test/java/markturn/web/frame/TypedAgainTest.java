package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Where something is refused, whatever was typed and ticked beside it still stands there. */
@ExtendWith(House.class)
class TypedAgainTest {
    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
        page.waitForLoadState();
    }

    @Test
    void marksForTheRegisterStayTickedAndItsDatumTyped(House house) {
        Page page = house.signedIn("sol");
        page.navigate(TypedDay.openJob(page, "Without a reason") + "/register");
        page.locator("input[name=mark][value='B']").check();
        page.locator("#enter-datum").fill("kept grid");
        press(page, "Enter them");
        assertThat(page.locator(".message")).containsText("and why it is entered");
        assertThat(page.locator("input[name=mark][value='B']")).isChecked();
        assertThat(page.locator("input[name=mark][value='A']")).not().isChecked();
        assertThat(page.locator("#enter-datum")).hasValue("kept grid");
        page.locator("#enter-reason").fill("found and measured");
        press(page, "Enter them");
        assertThat(page.locator(".said")).containsText("1 new mark in the register");
        page.navigate("/office/mark?words=kept grid");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("B").setExact(true))
                .click();
        page.locator("#words").fill("nail in the kerb");
        page.locator("#distance").fill("four");
        press(page, "Note it");
        assertThat(page.locator(".message")).containsText("\"four\" is no number");
        assertThat(page.locator("#words")).hasValue("nail in the kerb");
        assertThat(page.locator("#distance")).hasValue("four");
    }

    @Test
    void aReflectorsTestKeepsItsDays(House house) {
        Page page = house.signedIn("sol");
        page.navigate("/office/instrument");
        page.locator("#name").fill("pond prism");
        page.locator("#issued").fill("2026-05-02");
        page.locator("#due").fill("2026-05-01");
        page.locator("#words").fill("-34.4 mm");
        press(page, "Note this test");
        assertThat(page.locator(".message")).containsText("a later day on which it is due");
        assertThat(page.locator("#name")).hasValue("pond prism");
        assertThat(page.locator("#issued")).hasValue("2026-05-02");
        assertThat(page.locator("#due")).hasValue("2026-05-01");
        assertThat(page.locator("#words")).hasValue("-34.4 mm");
    }

    @Test
    void simulatedDevicesKeepTheirSlipsAndWhereTheRoverWasToStand(House house) {
        Page page = house.signedIn("sol");
        page.navigate(TypedDay.openJob(page, "Seed of no world") + "/practice");
        page.locator("#seed").fill("seven");
        page.locator("input[name=slip]").nth(1).check();
        press(page, "Switch the simulated devices on");
        assertThat(page.locator("#fault-seed")).containsText("\"seven\" is no number");
        assertThat(page.locator("#seed")).hasValue("seven");
        assertThat(page.locator("input[name=slip]").nth(1)).isChecked();
        page.locator("#seed").fill("7");
        press(page, "Switch the simulated devices on");
        page.locator("#mark").fill("NOWHERE");
        page.locator("#use").selectOption("observation");
        press(page, "Measure with the rover");
        assertThat(page.locator("#fault-mark")).isVisible();
        assertThat(page.locator("#mark")).hasValue("NOWHERE");
        assertThat(page.locator("#use")).hasValue("observation");
    }

    @Test
    void theNameOfAJobThatIsRefusedKeepsItsPlaceAndReason(House house) {
        Page page = house.signedIn("sol");
        String job = TypedDay.openJob(page, "Renamed for nothing");
        page.navigate(job);
        page.locator("summary", new Page.LocatorOptions().setHasText("Its name and place"))
                .click();
        page.locator("#name").fill(" ");
        page.locator("#place").fill("at the weir");
        page.locator("#reason").fill("called so by all");
        press(page, "Take this name and place");
        assertThat(page.locator(".fault")).isInViewport();
        assertThat(page.locator("#place")).hasValue("at the weir");
        assertThat(page.locator("#reason")).hasValue("called so by all");
    }
}
