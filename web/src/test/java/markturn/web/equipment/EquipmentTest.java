package markturn.web.equipment;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What somebody measures with: what is left empty is asked for. Common practice, no source. */
@ExtendWith(House.class)
class EquipmentTest {
    /** With a centring of 0 every station would be claimed better than it is. */
    @Test
    void anEmptyDeviationIsNoZero(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openEquipped(page, "Nothing left empty");
        page.navigate(job + "/equipment");
        TypedDay.type(page, "name", "I2", "directionStdDev", "2", "zenithStdDev", "2");
        TypedDay.type(page, "distanceStdDev", "2", "distancePpm", "2");
        page.getByText("Add the instrument").click();
        for (String field : List.of("centringStdDev", "heightStdDev")) {
            assertThat(page.locator("#" + field + " + .fault"))
                    .containsText("Empty: expected millimetres, 0 only where");
            page.locator("#" + field).fill("0");
        }
        assertThat(page.locator("#name")).hasValue("I2");
        page.getByText("Add the instrument").click();
        assertThat(page.locator("main td").first()).isVisible();
        assertThat(page.locator("main")).containsText("I2");
        page.locator("#reflectorName").fill("R2");
        page.locator("#constant").fill("-30");
        page.getByText("Add the reflector").click();
        for (String field : List.of("reflectorCentring", "reflectorHeight")) {
            assertThat(page.locator("#" + field + " + .fault"))
                    .containsText("Empty: expected millimetres, 0 only where");
        }
    }
}
