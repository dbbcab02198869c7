package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static markturn.web.turning.TypedDay.book;
import static markturn.web.turning.TypedDay.openJob;

import com.microsoft.playwright.Page;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** An angle between two things sighted from a point without coordinates: turned in sets, reduced, and printed. */
@ExtendWith(House.class)
class IncludedAngleTest {
    /** Sets and their mean by hand, practice.md 3: means of faces 11", 32", 13", 32"; angles 75-20-21 and 75-20-19. */
    @Test
    void anAngleNeedsNoCoordinates(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "An angle");
        page.navigate(job + "/setup");
        page.locator("#method").selectOption("angles");
        page.locator("#freeStation").fill("P");
        page.locator("#backsightAt").fill("10 00 00");
        page.locator("[name='back-0']").fill("CHIMNEY");
        page.locator("[name='fore-0']").fill("MAST");
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#sentence")).containsText("Sight CHIMNEY. No reflector.");
        book(page, "0 00 10", "90 00 00", "");
        book(page, "75 20 30", "90 00 00", "");
        book(page, "255 20 34", "270 00 00", "");
        book(page, "180 00 12", "270 00 00", "");
        book(page, "90 00 10", "90 00 00", "");
        book(page, "165 20 30", "90 00 00", "");
        book(page, "345 20 34", "270 00 00", "");
        book(page, "270 00 16", "270 00 00", "");
        assertThat(page.locator("body")).containsText("all sets turned");
        assertThat(page.locator(".finding.stop")).hasCount(0);
        page.getByText("Booking form").click();
        assertThat(page.locator("main")).containsText("75°20'20.0\"");
        assertThat(page.locator("main")).containsText("75°20'21.0\"");
        assertThat(page.locator("main")).containsText("75°20'19.0\"");
        // Added to what the backsight was set to.
        assertThat(page.locator("main")).containsText("85°20'20.0\"");
        assertThat(page.locator("main")).containsText("Observer");
    }
}
