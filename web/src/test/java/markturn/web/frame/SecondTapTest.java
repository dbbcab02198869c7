package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A second tap on a button of a page that is still there is the same act, and sent once. Common practice, no source. */
@ExtendWith(House.class)
class SecondTapTest {
    @Test
    void aSecondTapSendsNothing(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Tapped twice");
        page.navigate(job);
        page.getByText("Its name and place; archive").click();
        page.locator("form[action$='/name'] [name=name]").fill("Tapped once");
        page.locator("form[action$='/name'] [name=reason]").fill("a better name");
        List<Route> held = new ArrayList<>();
        page.route("**/name", held::add);
        // The page that answers the first tap is not here yet when the second one comes.
        page.locator("form[action$='/name'] button")
                .evaluate("button => { setTimeout(() => button.click()); setTimeout(() => button.click(), 300); }");
        page.waitForTimeout(900);
        Assertions.assertThat(held).hasSize(1);
        held.get(0).resume();
        assertThat(page.locator(".house-job")).containsText("Tapped once");
    }
}
