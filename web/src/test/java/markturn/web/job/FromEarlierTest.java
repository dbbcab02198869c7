package markturn.web.job;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import markturn.fieldbook.BookedJob;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A job begins from an earlier one, by ticks. */
@ExtendWith(House.class)
class FromEarlierTest {
    private static Job begun(House house, Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job"))
                .click();
        page.waitForURL("**/equipment?first");
        String id = page.url().replaceAll(".*/job/([0-9a-f-]+)/.*", "$1");
        BookedJob book = house.application().getBean(FieldBook.class).book(id, "wren");
        Assertions.assertThat(book.job().setups()).isEmpty();
        return book.job();
    }

    @Test
    void whatIsTickedComesAlongAndNothingThatWasMeasured(House house) {
        Page page = house.signedIn("wren");
        page.navigate(house.demo(page));
        page.getByText("Begin another job from this one").click();
        assertThat(page.locator("legend").first()).hasText("Taken from Alder Weir");
        assertThat(page.locator("#place")).hasValue(AlderWeir.job().place());
        // A fault loses nothing of what was ticked.
        page.getByLabel("PILLAR 2").check();
        page.locator("#take-codes").uncheck();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job"))
                .click();
        assertThat(page.locator(".fault").first()).containsText("Expected a name of the job");
        assertThat(page.getByLabel("PILLAR 2")).isChecked();
        assertThat(page.locator("#take-codes")).not().isChecked();
        page.locator("#name").fill("Weir, second season");
        Job job = begun(house, page);
        Job earlier = AlderWeir.job();
        Assertions.assertThat(job.instruments()).isEqualTo(earlier.instruments());
        Assertions.assertThat(job.reflectors()).isEqualTo(earlier.reflectors());
        Assertions.assertThat(job.codes()).isEmpty();
        Assertions.assertThat(job.earth()).isEqualTo(earlier.earth());
        Assertions.assertThat(job.marks()).extracting(Mark::name).containsExactly("PILLAR 2");
        Assertions.assertThat(job.mark("PILLAR 2").flatMap(Mark::given))
                .isEqualTo(earlier.mark("PILLAR 2").flatMap(Mark::given));
        Assertions.assertThat(job.mark("PILLAR 2").flatMap(Mark::found)).isEmpty();
    }

    @Test
    void controlNearAMarkComesAlong(House house) {
        Page page = house.signedIn("wren");
        page.navigate(house.demo(page));
        page.getByText("Begin another job from this one").click();
        page.locator("#name").fill("Weir, near pillar 1");
        page.locator("#around").selectOption("PILLAR 1");
        page.locator("#within").fill("0");
        Assertions.assertThat(begun(house, page).marks()).extracting(Mark::name).containsExactly("PILLAR 1");
    }
}
