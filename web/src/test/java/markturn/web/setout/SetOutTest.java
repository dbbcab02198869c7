package markturn.web.setout;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
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

    /**
     * On one page, station by station. The instrument stands on A (1000, 5000), the zero is B due north: a pole 9.990 m away at
     * 359°54' stands 9.990 north and 9.990 · sin 6' = 0.017 west of A; level, so nothing rises (heights 1.500 both).
     */
    @Test
    void shotDifferencesAndPoleMoveOnOnePage(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Stakes");
        TypedDay.occupy(page, job, "");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.000");
        page.navigate(job + "/setout?from=A&to=B&station=10&every=45");
        assertThat(page.locator(".sentence")).containsText("station 10 of A to B, 0 to the right");
        page.locator("#circle").fill("359 54 00");
        page.locator("#zenith").fill("90 00 00");
        page.getByText("Book the shot").click();
        assertThat(page.locator("#fault-slope")).containsText("without a distance");
        assertThat(page.locator("#circle")).hasValue("359 54 00");
        page.locator("#slope").fill("9.990");
        page.locator("#reflector").selectOption("Prism");
        page.locator("#height").fill("1.500");
        page.getByText("Book the shot").click();
        assertThat(page.locator("#move")).containsText("0.010 m away from you and 0.017 m to your right");
        assertThat(page.locator("#found-on-line"))
                .containsText("A+10 out 1 lies at station 9.990, -0.017 to the right");
        assertThat(page.locator("#circle")).hasValue("");
        assertThat(page.locator("#height")).hasValue("1.500");
        assertThat(page.locator("#name")).hasValue("A+10 out 2");
        page.locator("#next-one").click();
        assertThat(page.locator(".sentence")).containsText("station 55.000 of A to B");
        assertThat(page.locator("#height")).hasValue("1.500");
        page.locator("#next-one").click();
        assertThat(page.locator(".sentence")).containsText("station 100.000 of A to B");
        assertThat(page.locator("#next-one")).hasCount(0);
        page.navigate(job + "/point");
        assertThat(page.locator("main")).containsText("A+10 out 1");
    }
}
