package markturn.web.epoch;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import markturn.fieldbook.JobNamed;
import markturn.fieldbook.MarkAdded;
import markturn.simulator.Campaign;
import markturn.simulator.Campaigns;
import markturn.simulator.World;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Three epochs of a slope whose truth is known: two of eight marks move, and one reference mark is unstable. */
@ExtendWith(House.class)
class EpochTest {
    private static final List<String> REFERENCE = List.of("R1", "R2", "R3", "R4");
    private static final List<String> SLOPE = List.of("M1", "M2", "M3", "M4", "M5", "M6", "M7", "M8");

    private static World world(Map<String, double[]> moved) {
        World world = new World()
                .with("R1", 0, 0, 100)
                .with("R2", 10, 180, 103)
                .with("R3", 150, 190, 112)
                .with("R4", 160, -20, 110)
                .with("P1", 40, 50, 102)
                .with("P2", 50, 130, 104);
        for (int i = 0; i < SLOPE.size(); i++) {
            world.with(SLOPE.get(i), 90 + 12 * (i % 3), 30 + 18 * i, 108 + i);
        }
        moved.forEach((mark, by) -> world.knock(mark, by[0], by[1], by[2]));
        return world;
    }

    private static Campaign campaign(long seed, Map<String, double[]> moved) {
        return new Campaign(
                seed, world(moved), ClassOfWork.Preset.PRECISE, Campaigns.instrument(1), Campaigns.prism(), 1);
    }

    /** Opens the job of an epoch, with control listed where it was at first. */
    private static String open(House house, String name, String day, long seed, Map<String, double[]> moved) {
        Campaign listed = campaign(seed, Map.of());
        REFERENCE.forEach(listed::control);
        Campaign campaign = campaign(seed, moved);
        listed.job().marks().forEach(mark -> campaign.with(job -> job.plus(mark)));
        SLOPE.forEach(campaign::wanted);
        campaign.wanted("P1").wanted("P2").on(Instant.parse(day + "T10:00:00Z"));
        campaign.free("S1", "P1", REFERENCE, SLOPE).free("S2", "P2", REFERENCE, SLOPE);
        FieldBook book = house.application().getBean(FieldBook.class);
        String id = book.open(campaign.job(), "wren", Set.of("wren", "ida"));
        book.add(id, UUID.randomUUID().toString(), "wren", List.of(new JobNamed(name, "Heron cut", "Wren", "")));
        return "/job/" + id;
    }

    private static String state(House house, String job) {
        return house.application()
                .getBean(Series.class)
                .state(house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), "wren"), "wren");
    }

    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
    }

    private static void join(Page page, String job, String other) {
        page.navigate(job + "/epoch");
        page.getByText("These marks were measured in another job too").click();
        page.locator("[name=other]").fill(other);
        press(page, "Compare with it");
    }

    @Test
    void threeEpochsOfASlopeAreToldRightly(House house) {
        Map<String, double[]> summer =
                Map.of("M3", new double[] {-0.008, -0.006, -0.004}, "M6", new double[] {-0.010, 0, 0});
        Map<String, double[]> autumn = Map.of(
                "M3", new double[] {-0.016, -0.012, -0.008}, "M6", new double[] {-0.010, 0, 0}, "R2", new double[] {
                    0.020, 0, 0
                });
        String first = open(house, "Slope in spring", "2026-03-10", 13, Map.of());
        String second = open(house, "Slope in summer", "2026-06-10", 11, summer);
        String third = open(house, "Slope in autumn", "2026-09-10", 12, autumn);
        Page page = house.signedIn("wren");
        join(page, second, "Slope in nowhere");
        assertThat(page.locator(".message")).containsText("You have no other job called");
        join(page, second, "Slope in spring");
        assertThat(page.locator(".verdict")).containsText("M6 moved");
        join(page, third, "Slope in spring");
        assertThat(page.locator("main")).containsText("Slope in summer");
        page.locator("select[name=earlier]").selectOption("Slope in spring");
        page.locator("select[name=later]").selectOption("Slope in autumn");
        press(page, "Compare these");
        // Truth: M3 20 mm south-west and 8 mm down, M6 10 mm south, R2 20 mm north; their deviations are 2 mm.
        Assertions.assertThat(page.locator(".verdict").textContent())
                .containsPattern("R2 moved (1[5-9]|2[0-5]) mm towards north")
                .containsPattern("M3 moved (1[5-9]|2[0-5]) mm towards south-west and sank")
                .containsPattern("M6 moved ([6-9]\\.\\d|1[0-5]) mm towards south")
                .contains("Nothing else");
        assertThat(page.locator("main")).containsText("R2 did not hold in plan and left the reference");
        assertThat(page.locator("tr.trouble")).hasCount(3);
        // The free stations of the instrument are no marks.
        assertThat(page.locator("tbody tr", new Page.LocatorOptions().setHasText("P1")))
                .hasCount(0);
        assertThat(page.locator(".moved-drawing .shifted")).hasCount(3);
        assertThat(page.locator(".time-lines .shifted")).not().hasCount(0);
        String csv = page.request()
                .get(page.locator("text=As CSV").getAttribute("href"))
                .text();
        Assertions.assertThat(csv).containsPattern("(?m)^R2,.*left the reference.*,yes,PRACTICE\\r?$");
        String drawn = page.request()
                .get(page.locator("text=As GeoJSON").getAttribute("href"))
                .text();
        Assertions.assertThat(drawn).contains("\"mark\" : \"M3\"").contains("LineString");
        String report = page.request().get(third + "/deliver/report").text();
        Assertions.assertThat(report).contains("What moved").contains("R2 did not hold in plan");
        // A report rests on every job of the series: one that is kept stands for no other state of any of them.
        String before = state(house, third);
        Assertions.assertThat(state(house, third)).isEqualTo(before);
        house.application()
                .getBean(FieldBook.class)
                .add(first.replace("/job/", ""), "later", "wren", new JobNamed("Slope in spring", "", "Wren", ""));
        Assertions.assertThat(state(house, third)).isNotEqualTo(before);
    }

    @Test
    void theNextEpochIsReadyToBeMeasuredAndAsksHeightsAnew(House house) {
        String first = open(house, "Cut one", "2026-03-10", 21, Map.of());
        Page page = house.signedIn("wren");
        page.navigate(first + "/epoch");
        page.locator("[name=name]").first().fill("Cut two");
        press(page, "Measure the same marks again");
        page.waitForURL("**/setup");
        assertThat(page.locator(".house-job")).hasText("Cut two");
        assertThat(page.locator("[data-part=planned] section > ul > li")).hasCount(2);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("S1").setExact(true))
                .click();
        assertThat(page.locator("h1")).containsText("Set up S1, as planned");
        assertThat(page.locator("[name=freeStation]")).hasValue("P1");
        assertThat(page.locator("[name=back-3]")).hasValue("R4");
        assertThat(page.locator("[name=fore-7]")).hasValue("M8");
        assertThat(page.locator("#height")).hasValue("");
        assertThat(page.locator("[name=fore-7-height]")).hasValue("");
        // The members come along, and what is known of the marks is what was known before they were measured.
        page.navigate(page.url().replaceAll("/setup.*", "/member"));
        assertThat(page.locator("main")).containsText("Ida Marsh");
        page.navigate(page.url().replace("/member", "/point"));
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("M8")))
                .containsText("no position yet");
        // Both of a crew begin the next one: two of a name are told apart.
        page.navigate(first + "/epoch");
        page.locator("[name=name]").first().fill("Cut two");
        press(page, "Measure the same marks again");
        page.waitForURL("**/setup");
        page.navigate(first + "/epoch");
        assertThat(page.locator("select[name=later]")).containsText("Cut two (2),");
    }

    @Test
    void setupsOfOneJobAreEpochsAndTheReferenceIsDecided(House house) {
        String job = open(house, "Two periods", "2026-03-10", 31, Map.of());
        Page page = house.signedIn("wren");
        page.navigate(job + "/epoch");
        page.getByText("Some setups of this job are an epoch of their own").click();
        page.locator("details [name=name]").fill("Period S1");
        press(page, "Note this epoch");
        assertThat(page.locator(".message")).containsText("Choose the setups");
        assertThat(page.locator("details [name=name]")).hasValue("Period S1");
        assertThat(page.locator("details [name=name]")).isVisible();
        for (String setup : List.of("S1", "S2")) {
            page.navigate(job + "/epoch");
            page.getByText("Some setups of this job are an epoch of their own").click();
            page.locator("details [name=name]").fill("Period " + setup);
            page.getByLabel(setup).check();
            press(page, "Note this epoch");
        }
        assertThat(page.locator(".verdict")).containsText("No movement was found");
        page.getByText("Choose which marks are meant to be stable").click();
        for (String mark : List.of("R1", "R2", "R3")) {
            page.getByLabel(mark, new Page.GetByLabelOptions().setExact(true)).uncheck();
        }
        press(page, "These hold the datum");
        assertThat(page.locator(".message")).containsText("Expected two marks or more");
        // What was ticked is as it was ticked.
        for (String mark : List.of("R1", "R2", "R3")) {
            page.getByLabel(mark, new Page.GetByLabelOptions().setExact(true)).check();
        }
        assertThat(page.getByLabel("R4", new Page.GetByLabelOptions().setExact(true)))
                .isChecked();
        page.getByLabel("R4", new Page.GetByLabelOptions().setExact(true)).uncheck();
        page.locator("[name=reason]").fill("it stands on fill");
        press(page, "These hold the datum");
        assertThat(page.locator("main")).containsText("R1, R2 and R3 by decision");
        assertThat(page.locator("tbody tr", new Page.LocatorOptions().setHasText("R4")))
                .containsText("compared");
    }

    /** What a form does not show is not taken away by it, and what was compared stays compared. */
    @Test
    void theReferenceKeepsWhatTheComparedEpochsDoNotHold(House house) {
        String job = open(house, "Three periods", "2026-03-10", 41, Map.of());
        house.application()
                .getBean(FieldBook.class)
                .add(
                        job.replace("/job/", ""),
                        "far",
                        "wren",
                        new MarkAdded(Mark.control("R9", 300, 300, OptionalDouble.of(120), "")));
        Page page = house.signedIn("wren");
        for (List<String> setups : List.of(List.of("S1"), List.of("S2"), List.of("S1", "S2"))) {
            page.navigate(job + "/epoch");
            page.getByText("Some setups of this job are an epoch of their own").click();
            page.locator("details [name=name]").fill("Period " + String.join("+", setups));
            setups.forEach(
                    setup -> page.locator("[name=setup][value='" + setup + "']").check());
            press(page, "Note this epoch");
        }
        List<String> epochs = page.locator("select[name=earlier] option").all().stream()
                .map(one -> one.getAttribute("value"))
                .toList();
        page.locator("select[name=earlier]").selectOption(epochs.get(1));
        page.locator("select[name=later]").selectOption(epochs.get(1));
        press(page, "Compare these");
        assertThat(page.locator(".message")).containsText("Expected two epochs");
        page.locator("select[name=earlier]").selectOption(epochs.get(0));
        page.locator("select[name=later]").selectOption(epochs.get(1));
        press(page, "Compare these");
        page.getByText("Choose which marks are meant to be stable").click();
        assertThat(page.locator(".tick", new Page.LocatorOptions().setHasText("R9")))
                .containsText("not in both of these epochs");
        page.getByLabel("R4", new Page.GetByLabelOptions().setExact(true)).uncheck();
        press(page, "These hold the datum");
        assertThat(page.locator(".message")).containsText("with a reason");
        assertThat(page.getByLabel("R4", new Page.GetByLabelOptions().setExact(true)))
                .not()
                .isChecked();
        page.locator("[name=reason]").fill("it stands on fill");
        press(page, "These hold the datum");
        assertThat(page.locator("main")).containsText("R1, R2, R3 and R9 by decision");
        assertThat(page.locator("select[name=earlier]")).hasValue(epochs.get(0));
        assertThat(page.locator("select[name=later]")).hasValue(epochs.get(1));
    }
}
