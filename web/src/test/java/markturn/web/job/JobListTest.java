package markturn.web.job;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import markturn.fieldbook.JobNamed;
import markturn.fieldbook.MarkAdded;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Jobs by the hundred: found, sorted, filtered, renamed, archived. What an office expects of a list: common practice, no source. */
@ExtendWith(House.class)
class JobListTest {
    private static final int MANY = 500;

    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
    }

    private static Locator rows(Page page) {
        return page.locator("#jobs tbody tr");
    }

    private static void find(Page page, String words) {
        page.locator("#words").fill(words);
        page.waitForURL("**words=" + words.replace(" ", "+") + "*");
    }

    private static Job named(int number) {
        Job job = AlderWeir.blank();
        return new Job(
                "Culvert %03d".formatted(number),
                number % 2 == 0 ? "Reed Lane" : "Otter Bank",
                job.units(),
                job.classOfWork(),
                job.planOnly(),
                job.earth(),
                job.instruments(),
                job.reflectors(),
                job.codes(),
                job.marks(),
                job.setups(),
                job.fixes(),
                job.references(),
                job.traverses(),
                job.network(),
                job.adopted(),
                job.decisions());
    }

    @Test
    void aJobAmongHundredsIsFoundAsOneTypes(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String last = "";
        for (int i = 0; i < MANY; i++) {
            last = fieldBook.open(named(i), "sol", Set.of("sol"));
        }
        fieldBook.add(last, "one-mark", "sol", List.of(new MarkAdded(Mark.named("HERON-7", Mark.Kind.NEW))));
        Page page = house.signedIn("sol");
        page.navigate("/job?filter=all");
        Assertions.assertThat(page.locator("#jobs").textContent()).containsPattern("5\\d\\d jobs");
        assertThat(rows(page)).hasCount(50);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("The next"))
                .click();
        assertThat(page.locator("#jobs .pages")).containsText("from 51");
        // By name, by two words in name and place, by a mark; what stands for anything elsewhere stands for itself.
        find(page, "culvert 123");
        assertThat(rows(page)).hasCount(1);
        assertThat(rows(page)).containsText("Otter Bank");
        find(page, "reed 042");
        assertThat(rows(page)).containsText(new String[] {"Culvert 042"});
        find(page, "heron-7");
        assertThat(rows(page)).containsText(new String[] {"Culvert 499"});
        assertThat(rows(page).locator("svg path.control")).hasCount(1);
        page.locator("#words").fill("%");
        assertThat(page.locator("#jobs")).containsText("Nothing has these words");
        page.locator("#words").fill("");
        assertThat(rows(page)).hasCount(50);
        // Others of the same account may hold jobs of other names.
        find(page, "culvert");
        page.reload();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Job").setExact(true))
                .click();
        assertThat(page.locator("th[aria-sort=ascending]")).hasText("Job");
        assertThat(rows(page).first()).containsText("Culvert 000");
    }

    @Test
    void whatCouldNotBeLookedForIsSaidAndTheListStays(House house) {
        Page page = house.signedIn("wren");
        TypedDay.openJob(page, "Ferry steps");
        page.navigate("/job");
        List<String> faults = new ArrayList<>();
        page.onPageError(faults::add);
        page.route("**/job?*", Route::abort);
        page.locator("#words").fill("weir");
        assertThat(page.getByText("No answer: these words were not looked for."))
                .isVisible();
        assertThat(rows(page).filter(new Locator.FilterOptions().setHasText("Ferry steps")))
                .hasCount(1);
        page.unroute("**/job?*");
        find(page, "ferry steps");
        assertThat(rows(page)).hasCount(1);
        assertThat(page.getByText("No answer")).isHidden();
        // A server in trouble has not looked for them either.
        page.route("**/job?*", asked -> asked.fulfill(new Route.FulfillOptions().setStatus(503)));
        page.locator("#words").fill("sluice");
        assertThat(page.getByText("No answer")).isVisible();
        Assertions.assertThat(faults).isEmpty();
    }

    @Test
    void aJobIsRenamedArchivedAndBroughtBackAndSaysSo(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Misnamed");
        page.navigate(job);
        page.getByText("Its name and place; archive").click();
        page.locator("#name").fill("");
        press(page, "Take this name and place");
        assertThat(page.locator(".fault")).containsText("Expected a name of the job");
        page.locator("#name").fill("Sluice survey");
        page.locator("#place").fill("Heron Lock");
        page.locator("#reason").fill("named after the wrong site");
        press(page, "Take this name and place");
        assertThat(page.locator("h1")).hasText("Sluice survey");
        page.navigate("/job");
        Locator row = page.locator("#jobs tr", new Page.LocatorOptions().setHasText("Sluice survey"));
        assertThat(row).containsText("Heron Lock");
        assertThat(row).containsText("nothing set up yet");
        assertThat(row).containsText("Wren Halloran");
        page.navigate(job);
        page.getByText("Its name and place; archive").click();
        press(page, "Archive this job");
        assertThat(page.locator("main")).containsText("This job is archived.");
        page.navigate("/job");
        assertThat(row).hasCount(0);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("archived"))
                .click();
        assertThat(row).containsText("archived; nothing set up yet");
        page.navigate(job);
        press(page, "Bring it back");
        page.navigate("/job?filter=mine");
        assertThat(row).hasCount(1);
        // All of it stands in the field book, with the name before.
        var decisions = house.application()
                .getBean(FieldBook.class)
                .book(job.substring(job.lastIndexOf('/') + 1), "wren")
                .job()
                .decisions();
        Assertions.assertThat(decisions.stream().map(d -> d.what()))
                .containsExactly("rename-job", "archive", "bring-back");
        Assertions.assertThat(decisions.get(0).before().orElseThrow().toString())
                .contains("Misnamed");
    }

    /** Common practice, no source: what somebody else changed is not written over unseen. */
    @Test
    void aNameThatSomebodyElseGaveMeanwhileIsToldFirst(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Weir pool");
        page.navigate(job);
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = job.substring(job.lastIndexOf('/') + 1);
        fieldBook.add(
                id, "named-elsewhere", "wren", new JobNamed("Weir basin", "Heron Lock", "Wren Halloran", "as agreed"));
        page.getByText("Its name and place; archive").click();
        page.locator("#reason").fill("as the client says");
        page.locator("#name").fill("Upper pool");
        press(page, "Take this name and place");
        assertThat(page.locator(".fault"))
                .containsText(
                        "Wren Halloran named this job anew while this page was open: it is Weir basin, Heron Lock.");
        assertThat(page.locator("#name")).hasValue("Upper pool");
        Assertions.assertThat(fieldBook.book(id, "wren").job().name()).isEqualTo("Weir basin");
        press(page, "Take this name and place");
        assertThat(page.locator("h1")).hasText("Upper pool");
    }
}
