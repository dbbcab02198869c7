package markturn.web.job;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import markturn.survey.job.Decision;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Members are let in and taken out at any time; what they are in a job bounds what their account may do there. */
@ExtendWith(House.class)
class MemberTest {
    private static void letIn(Page page, String job, String name, String part) {
        page.navigate(job + "/member");
        page.locator("#person").selectOption(name);
        page.locator("#part").selectOption(part);
        press(page, "Let in");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText(name)))
                .containsText(part);
    }

    private static void press(Page page, String words) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(words).setExact(true))
                .click();
    }

    @Test
    void aMemberIsLetInLaterAndTakenOut(House house) {
        Page wren = house.signedIn("wren");
        String job = TypedDay.openJob(wren, "Members");
        Page sol = house.signedIn("sol");
        Assertions.assertThat(sol.request().get(job).status()).isEqualTo(404);
        letIn(wren, job, "sol", "surveyor and reviewer");
        TypedDay.occupy(sol, job, "T1");
        TypedDay.book(sol, "0 00 00", "89 42 50.1", "100.001");

        // The account of a surveyor and reviewer reads here, once the part says so.
        wren.navigate(job + "/member");
        wren.getByLabel("What sol is in this job").selectOption("reader");
        press(wren, "Give sol this part");
        sol.navigate(job + "/mark");
        assertThat(sol.locator(".left-out")).containsText("You look at this job as a reader");
        assertThat(sol.locator("[name='name-0']")).hasCount(0);
        Assertions.assertThat(House.posted(sol, job + "/mark/enter")).isEqualTo(403);
        // In a job of one's own nothing has changed.
        sol.navigate("/job/new");
        assertThat(sol.locator("h1")).not().containsText("not yours");

        wren.navigate(job + "/member");
        press(wren, "Take sol out");
        assertThat(wren.locator("table")).not().containsText("sol");
        Assertions.assertThat(sol.request().get(job).status()).isEqualTo(404);
        // What was booked stays, and so does what was decided about members.
        var book = house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), "wren");
        Assertions.assertThat(book.job().setup("S1").orElseThrow().readings()).hasSize(1);
        Assertions.assertThat(book.entries())
                .filteredOn(entry -> entry.kind().stored().equals("reading"))
                .extracting(entry -> entry.by())
                .isEqualTo(List.of("sol"));
        Assertions.assertThat(book.job().decisions())
                .extracting(Decision::what)
                .isEqualTo(List.of(Decision.LET_IN, Decision.LET_IN, Decision.TAKE_OUT));
        wren.navigate(job + "/deliver");
        assertThat(wren.locator("main")).containsText("Sol Tarn, surveyor and reviewer");
    }

    @Test
    void aJobKeepsSomebodyWhoCanBook(House house) {
        Page wren = house.signedIn("wren");
        String job = TypedDay.openJob(wren, "Last surveyor");
        // A reviewer's account books nothing, whatever the part is called.
        letIn(wren, job, "ida", "surveyor and reviewer");
        press(wren, "Take wren out");
        assertThat(wren.locator(".message")).containsText("Nobody could book here any more");
        Page ida = house.signedIn("ida");
        ida.navigate(job + "/mark");
        assertThat(ida.locator(".left-out")).containsText("You look at this job as a reviewer");
        Assertions.assertThat(House.posted(ida, job + "/member")).isEqualTo(403);
        letIn(wren, job, "sol", "surveyor");
        press(wren, "Take wren out");
        wren.waitForURL("**/job");
        Assertions.assertThat(wren.request().get(job).status()).isEqualTo(404);
    }

    @Test
    void whoWasTickedStaysTickedWhereTheNameOfTheJobIsMissing(House house) {
        Page wren = house.signedIn("wren");
        wren.navigate("/job/new");
        wren.locator("#member-sol").check();
        wren.locator("#name").fill("");
        press(wren, "Open the job");
        assertThat(wren.locator("main")).containsText("Expected a name of the job");
        assertThat(wren.locator("#member-sol")).isChecked();
        assertThat(wren.locator("#member-ida")).not().isChecked();
        wren.locator("#timeZone").fill("Atlantis/Deep");
        wren.locator("#name").fill("With sol from the start");
        press(wren, "Open the job");
        assertThat(wren.locator("main")).containsText("Atlantis/Deep: expected a time zone such as Europe/Vienna");
        wren.locator("#timeZone").fill("");
        press(wren, "Open the job");
        wren.waitForURL("**/equipment?first");
        String job = wren.url().replaceAll("/equipment.*", "");
        Page sol = house.signedIn("sol");
        Assertions.assertThat(sol.request().get(job).status()).isEqualTo(200);
        Assertions.assertThat(house.signedIn("ida").request().get(job).status()).isEqualTo(404);
    }
}
