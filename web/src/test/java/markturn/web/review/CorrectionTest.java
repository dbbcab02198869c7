package markturn.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A note beside what was read is corrected: what moves is shown first, and what is booked is what was shown. */
@ExtendWith(House.class)
class CorrectionTest {
    private static String opened(House house) {
        return house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren"));
    }

    private static Job job(House house, String id) {
        return house.application().getBean(FieldBook.class).book(id, "wren").job();
    }

    private static Page asking(House house, String id, String what) {
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/review/correct?what=" + what);
        page.locator("#reason").fill("as the field book says");
        return page;
    }

    private static void show(Page page) {
        page.locator("#correct button:not([name])").last().click();
        page.waitForLoadState();
    }

    private static void book(Page page) {
        assertThat(page.locator("#moved-head")).isVisible();
        page.locator("button[name=confirm]").click();
        page.waitForLoadState();
        assertThat(page.locator(".said")).containsText("Corrected.");
    }

    private static Locator tick(Page page, String setup, int line) {
        Locator box = page.locator("input[name=line][aria-label^='" + setup + ", line " + line + ",']");
        box.check();
        return box;
    }

    private static Reading line(House house, String id, String setup, int line) {
        return job(house, id).setup(setup).orElseThrow().readings().get(line - 1);
    }

    /** All that was measured from there rises by as much as the instrument stood higher. Source: the definition of a height. */
    @Test
    void anInstrumentThatStoodHigherLiftsWhatItMeasured(House house) {
        String id = opened(house);
        Page page = asking(house, id, "instrumentHeight");
        page.locator("#setup").selectOption("S1");
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("Empty: expected a height over the mark");
        page.locator("#height").fill("1.702");
        show(page);
        Locator crest = page.locator(".moved tbody tr").filter(new Locator.FilterOptions().setHasText("CREST 1"));
        assertThat(crest.locator("td").nth(3)).containsText("100.0");
        Assertions.assertThat(crest.locator("td").nth(1).textContent()).matches("[+−-]?0\\.0");
        book(page);
        Setup setup = job(house, id).setup("S1").orElseThrow();
        Assertions.assertThat(setup.instrumentHeight().orElseThrow().taped()).isEqualTo(1.702);
    }

    @Test
    void whatASightWasForIsBookedAsItWasShown(House house) {
        String id = opened(house);
        Reading before = line(house, id, "S1", 1);
        Assertions.assertThat(before.role()).isEqualTo(Reading.Role.BACKSIGHT);
        Page page = asking(house, id, "role");
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("No line was chosen");
        page.locator("#role").selectOption("CHECK");
        tick(page, "S1", 1);
        show(page);
        assertThat(page.locator("#role")).hasValue("CHECK");
        book(page);
        Assertions.assertThat(line(house, id, "S1", 1).role()).isEqualTo(Reading.Role.CHECK);
    }

    @Test
    void curvatureThatIsTurnedOffStaysOffUntilItIsBooked(House house) {
        String id = opened(house);
        Page page = asking(house, id, "earth");
        page.locator("#curvature").uncheck();
        page.locator("#scaleFactor").fill("2");
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("a factor from 0.9 to 1.1");
        assertThat(page.locator("#curvature")).not().isChecked();
        page.locator("#scaleFactor").fill("1");
        show(page);
        assertThat(page.locator("#curvature")).not().isChecked();
        book(page);
        Assertions.assertThat(job(house, id).earth().curvature()).isFalse();
    }

    @Test
    void aSightGetsTheNameOfAMarkAndAnUnknownOneIsSaid(House house) {
        String id = opened(house);
        Page page = asking(house, id, "target");
        tick(page, "S1", 1);
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("Empty: expected a mark");
        page.locator("#target").fill("NOWHERE");
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("NOWHERE");
        page.locator("#target").fill(job(house, id).setup("S1").orElseThrow().station());
        show(page);
        assertThat(page.locator("#correct .fault").first()).containsText("it cannot have sighted it");
        page.locator("#target").fill("PILLAR 3");
        show(page);
        book(page);
        Assertions.assertThat(line(house, id, "S1", 1).target()).isEqualTo("PILLAR 3");
    }

    /** A constant that was keyed in is in what was read: nothing but the note changes, and distances with it. */
    @Test
    void whatWasKeyedInIsNotedOnTheLinesThatAreTicked(House house) {
        String id = opened(house);
        Page page = asking(house, id, "applied");
        page.locator("#constant").fill("-34");
        tick(page, "S1", 1);
        tick(page, "S1", 2);
        assertThat(page.locator("#ticked")).hasText("2 lines ticked");
        show(page);
        book(page);
        for (int line : List.of(1, 2)) {
            Assertions.assertThat(
                            line(house, id, "S1", line).applied().orElseThrow().constant())
                    .hasValue(-0.034);
        }
        page = asking(house, id, "appliedPpm");
        page.locator("#keyedPpm").fill("12.5");
        tick(page, "S1", 1);
        show(page);
        book(page);
        Reading.Applied applied = line(house, id, "S1", 1).applied().orElseThrow();
        Assertions.assertThat(applied.ppm()).hasValue(12.5);
        Assertions.assertThat(applied.constant()).hasValue(-0.034);
    }

    @Test
    void whatIsChangedAfterItWasShownIsShownAgainBeforeItIsBooked(House house) {
        String id = opened(house);
        Page page = asking(house, id, "instrumentHeight");
        page.locator("#setup").selectOption("S1");
        page.locator("#height").fill("1.702");
        show(page);
        page.locator("#reason").fill("taped to the wrong spot");
        assertThat(page.locator("button[name=confirm]")).isVisible();
        page.locator("#height").fill("1.902");
        assertThat(page.locator("button[name=confirm]")).isHidden();
        assertThat(page.locator("#moved-head")).isHidden();
        show(page);
        // A page that did not notice the change is not believed.
        page.evaluate("document.querySelector('#height').value = '1.802'");
        page.locator("button[name=confirm]").click();
        page.waitForLoadState();
        assertThat(page.locator("#moved-head")).isVisible();
        assertThat(page.locator(".said")).hasCount(0);
        page.locator("#height").fill("1.902");
        show(page);
        book(page);
        Assertions.assertThat(job(house, id)
                        .setup("S1")
                        .orElseThrow()
                        .instrumentHeight()
                        .orElseThrow()
                        .taped())
                .isEqualTo(1.902);
    }
}
