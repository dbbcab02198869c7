package markturn.web.setup;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The drills of centring and levelling. Source: facts of the trade (the bubble runs to the high side, and follows the left thumb). */
@ExtendWith(House.class)
class DrillsTest {
    private static double at(Locator bubble, String axis) {
        return Double.parseDouble(bubble.getAttribute(axis));
    }

    private static void press(Locator drill, String button) {
        drill.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(button).setExact(true))
                .click();
    }

    @Test
    void theBubbleRunsToTheHighSideAndFollowsTheLeftThumb(House house) {
        String id = house.application().getBean(FieldBook.class).open(AlderWeir.blank(), "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/setup/how");
        Locator drill = page.locator("[data-drill='screws']");
        Locator bubble = drill.locator(".bubble");
        // Screw A stands farthest away, at the top of the drawing; its corner lifted draws the bubble there.
        double away = at(bubble, "cy");
        press(drill, "Screw A up");
        assertThat(at(bubble, "cy")).isLessThan(away);
        double right = at(bubble, "cx");
        double before = at(bubble, "cy");
        press(drill, "B and C, thumbs inward");
        assertThat(at(bubble, "cx")).isGreaterThan(right);
        assertThat(at(bubble, "cy")).isEqualTo(before);
        press(drill, "B and C, thumbs outward");
        assertThat(at(bubble, "cx")).isEqualTo(right);
        // The plummet swings with the screws, the same way as the bubble.
        Locator plummet = page.locator("[data-drill='plummet']");
        double spot = at(plummet.locator(".dot"), "cy");
        press(plummet, "Screw A up");
        assertThat(at(plummet.locator(".dot"), "cy")).isLessThan(spot);
    }
}
