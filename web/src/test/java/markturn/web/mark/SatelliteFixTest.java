package markturn.web.mark;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.fieldbook.MarkAdded;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What a receiver of one's own gave is entered by hand: for a new mark, for a check, and for the network. */
@ExtendWith(House.class)
class SatelliteFixTest {
    private static void enter(Page page, String mark, Mark.Coordinates at, double east, String use) {
        page.locator(".satellite summary").click();
        page.locator("#fix-mark").fill(mark);
        page.locator("#fix-northing").fill("%.3f".formatted(at.northing()));
        page.locator("#fix-easting").fill("%.3f".formatted(at.easting() + east).replace('.', ','));
        page.locator("#fix-elevation").fill("%.3f".formatted(at.elevation().orElse(40)));
        page.locator("#fix-plan").fill("0.010");
        page.locator("#fix-level").fill("0.020");
        page.locator("#fix-use").selectOption(use);
        page.getByText("Enter the fix").click();
    }

    @Test
    void aFixGivesANewMarkChecksAKnownOneAndTakesPartInTheNetwork(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        Job demo = AlderWeir.job();
        String id = fieldBook.open(demo, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/mark");
        Mark.Coordinates pillar = demo.mark("PILLAR 2").orElseThrow().given().orElseThrow();

        // Bad input is named, and what was typed stays.
        page.locator(".satellite summary").click();
        page.locator("#fix-mark").fill("PILLAR 2");
        page.locator("#fix-northing").fill("2000.0");
        page.getByText("Enter the fix").click();
        assertThat(page.locator(".satellite .fault").first()).containsText("Empty: expected an easting");
        assertThat(page.locator("#fault-fix-plan")).containsText("as the receiver says it");
        assertThat(page.locator("#fix-mark")).hasValue("PILLAR 2");
        page.navigate("/job/" + id + "/mark");

        // A name that somebody else took while this form was open is said where it was typed.
        page.locator("[name='name-0']").fill("TAKEN");
        page.locator("[name='northing-0']").fill("1");
        page.locator("[name='easting-0']").fill("2");
        fieldBook.add(id, "meanwhile", "wren", new MarkAdded(Mark.named("TAKEN", Mark.Kind.NEW)));
        page.getByText("Enter these marks").click();
        assertThat(page.locator("main")).containsText("TAKEN is in this job already");
        assertThat(page.locator("[name='northing-0']")).hasValue("1");
        page.navigate("/job/" + id + "/mark");

        enter(page, "RTK 1", new Mark.Coordinates(2050, 5050, pillar.elevation()), 0, "observation");
        assertThat(page.locator(".satellite tbody tr")).hasCount(1);
        enter(page, "PILLAR 2", pillar, 0.030, "observation");
        assertThat(page.locator(".satellite tbody tr")).hasCount(2);
        assertThat(page.locator(".satellite tbody tr").last()).containsText("in the network");
        Assertions.assertThat(fieldBook.book(id, "wren").job().fixes())
                .extracting(SatelliteFix::mark, SatelliteFix::use)
                .contains(Assertions.tuple("PILLAR 2", SatelliteFix.Use.OBSERVATION));
        page.navigate("/job/" + id + "/point/RTK 1");
        assertThat(page.locator("main")).containsText("2050.000");

        // Three standard deviations off to the east: held less observed, and nothing shares it.
        page.navigate("/job/" + id + "/network");
        var row = page.locator(".residuals tbody tr")
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("PILLAR 2"))
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("easting"));
        assertThat(row).hasCount(1);
        assertThat(row).containsText(Pattern.compile("-30(\\.0)? mm"));
        assertThat(row).containsText("3.0");

        // It was the wrong pole: struck out with a reason it counts nowhere, stays legible, and can stand again.
        page.navigate("/job/" + id + "/mark");
        var line = page.locator(".satellite tbody tr").last();
        line.getByText("Strike out").click();
        assertThat(page.locator(".message")).containsText("struck out with a reason");
        line.locator("[name=reason]").fill("antenna height of the other pole");
        line.getByText("Strike out").click();
        assertThat(line).containsText("struck out: antenna height of the other pole");
        page.navigate("/job/" + id + "/network");
        assertThat(row).hasCount(0);
        Assertions.assertThat(fieldBook.book(id, "wren").job().fixes())
                .last()
                .satisfies(fix -> Assertions.assertThat(fix.struck()).contains("antenna height of the other pole"));
        page.navigate("/job/" + id + "/mark");
        line.getByText("Restore").click();
        assertThat(line.getByText("Strike out")).isVisible();
        page.navigate("/job/" + id + "/network");
        assertThat(row).hasCount(1);
    }
}
