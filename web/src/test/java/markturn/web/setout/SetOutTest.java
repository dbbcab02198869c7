package markturn.web.setout;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** From the setup to any point, along a line, and what was found against what was wanted. */
@ExtendWith(House.class)
class SetOutTest {
    private static String demo(House house) {
        return house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
    }

    // Source: the inverse between the demo's own coordinates, by hand: POND 1 to 1931.605, 5127.319 and PILLAR 1 to
    // 2000, 5000.
    @Test
    void turnDistanceAndFill(House house) {
        Page page = house.signedIn("wren");
        page.navigate("/job/" + demo(house) + "/setout?setup=S2");
        page.locator("#point").fill("PILLAR 1");
        page.locator("#point").press("Enter");
        page.waitForURL("**point=PILLAR**");
        // It is the backsight itself: no turn, and the distance is the inverse.
        double distance = Math.hypot(2000 - 1931.605, 5000 - 5127.319);
        assertThat(page.locator(".figures")).containsText("0°00'00.0\"");
        double shown = Double.parseDouble(page.locator(".figures dd").nth(2).textContent());
        Assertions.assertThat(shown).isCloseTo(distance, Assertions.within(0.002));
        page.locator("#found").fill("POND 2");
        page.locator("#found").press("Enter");
        page.waitForURL("**found=POND**");
        assertThat(page.locator("#move")).containsText("fill 0.764 m");
    }

    @Test
    void stationAndOffsetOfALine(House house) {
        Page page = house.signedIn("wren");
        String job = "/job/" + demo(house);
        page.navigate(job + "/setout?setup=S1&from=PILLAR 1&to=PILLAR 2&station=10&offset=2");
        assertThat(page.locator(".sentence")).containsText("station 10 of PILLAR 1 to PILLAR 2, 2 to the right");
        page.navigate(job + "/setout?setup=S1&from=PILLAR 1&to=PILLAR 2&place=PILLAR 2");
        assertThat(page.locator("#on-line")).containsText("PILLAR 2 lies at station 161.011, 0.000 to the right");
        page.navigate(job + "/setout?setup=S1&from=PILLAR 1&to=PILLAR 1&station=10");
        assertThat(page.locator("main")).containsText("expected another mark");
        page.navigate(job + "/setout?setup=S1&point=NOWHERE");
        assertThat(page.locator("#fault-point")).containsText("has no position in this job");
        page.navigate(job + "/setout?setup=S1&northing=12");
        assertThat(page.locator("main")).containsText("northing and easting go together");
        assertThat(page.locator("#northing")).hasValue("12");
    }
}
