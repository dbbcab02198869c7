package markturn.web.setup;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The same setup once more, and one that was begun by mistake. Readings of known truth; the order is common practice, no source. */
@ExtendWith(House.class)
class OnceMoreTest {
    private static Job job(House house, String job) {
        return house.application()
                .getBean(FieldBook.class)
                .book(job.replace("/job/", ""), "wren")
                .job();
    }

    private static void begin(Page page) {
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B.");
    }

    private static void onceMore(Page page, String job, String as) {
        page.navigate(job + "/setup");
        page.locator("[aria-label='Set up once more as " + as + "']").click();
        assertThat(page.locator("h1")).hasText("Set up once more as " + as);
        // Heights are asked anew; the station and its backsight are those of then.
        assertThat(page.locator("#height")).hasValue("");
        assertThat(page.locator("[name='back-0-height']")).hasValue("");
        assertThat(page.locator("[name='back-0']")).hasValue("B");
        page.locator("#height").fill("1.550");
        page.locator("[name='back-0-height']").fill("1.550");
        begin(page);
    }

    @Test
    void itSaysWhetherItStandsAsItDid(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Once more");
        TypedDay.occupy(page, job, "");
        TypedDay.book(page, "5 00 00", "90 00 00", "100.000");
        // Axis and target as high as one another: B lies as high as A, as seen from both setups.
        onceMore(page, job, "S1");
        TypedDay.book(page, "17 20 40", "90 00 00", "100.001");
        assertThat(page.locator(".comparisons")).containsText("It stands as at S1: B is seen 1.0 mm farther");
        onceMore(page, job, "S2");
        TypedDay.book(page, "250 00 00", "90 00 00", "100.061");
        assertThat(page.locator(".comparisons")).containsText("It does not stand as at S2: B is seen 60 mm farther");
    }

    @Test
    void aSetupBegunTwiceIsAskedAboutAndTakenBack(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Twice");
        TypedDay.occupy(page, job, "");
        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        page.locator("[name='back-0']").fill("B");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("1.500");
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#fault-another")).containsText("S1 stands on A already and holds no reading yet");
        Assertions.assertThat(job(house, job).setups()).hasSize(1);
        page.locator("#another").check();
        begin(page);
        // It was a mistake: taken back with a reason, and the reason stays.
        page.navigate(job + "/setup");
        page.locator("[aria-label='Why S2 is removed']")
                .locator("xpath=..")
                .getByText("Remove")
                .click();
        assertThat(page.locator(".message")).containsText("needs a reason");
        page.locator("[aria-label='Why S2 is removed']").fill("begun twice");
        page.locator("[aria-label='Why S2 is removed']").press("Enter");
        assertThat(page.locator(".said")).containsText("S2 is removed");
        Job after = job(house, job);
        Assertions.assertThat(after.setups()).hasSize(1);
        Assertions.assertThat(after.decisions()).last().satisfies(d -> {
            Assertions.assertThat(d.what()).isEqualTo(Decision.REMOVE_SETUP);
            Assertions.assertThat(d.reason()).isEqualTo("begun twice");
        });
        // One that holds a reading stays.
        TypedDay.book(open(page, job), "5 00 00", "90 00 00", "100.000");
        page.navigate(job + "/setup");
        assertThat(page.locator("[aria-label='Why S1 is removed']")).hasCount(0);
    }

    private static Page open(Page page, String job) {
        page.navigate(job + "/turning/S1");
        return page;
    }
}
