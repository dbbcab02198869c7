package markturn.web.pocket;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A job that was taken along, on a device whose line to the house is cut. The readings follow from known places, by hand. */
@ExtendWith(House.class)
class WithoutAConnectionTest {
    /** Milliseconds: a line that carries nothing is taken for dead by then. */
    private static final int SILENCE = 40_000;

    private static BookedJob book(House house, String job) {
        return house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), "wren");
    }

    /** Takes a job along on the device of a page. */
    static void takeAlong(Page page, String job) {
        page.navigate(job);
        page.locator("#take").click();
        assertThat(page.locator("#taken-words")).containsText("all sent");
    }

    /** T1 at N 1020.248 E 5077.395 H 12.000, seen from A (1000, 5000, 10) with B due north, all heights 1.500. */
    @Test
    void aDayWithoutALineArrivesOnceAndInOrder(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Without a line");
            takeAlong(page, job);
            long before = book(house, job).revision();
            line.cut();
            TypedDay.occupy(page, job, "T1");
            TypedDay.book(page, "0 00 00", "89 42 50.1", "100.001");
            TypedDay.book(page, "75 20 20.2", "88 34 05.6", "80.025");
            TypedDay.book(page, "255 20 20.2", "271 25 54.4", "80.025");
            TypedDay.book(page, "180 00 00", "270 17 09.9", "100.001");
            assertThat(page.locator("#pocket-words")).containsText("lines wait");
            // A reload, and a browser that was closed and opened again: everything is there.
            page.reload();
            assertThat(page.locator("tr.ink")).hasCount(4);
            Page again = page.context().newPage();
            page.close();
            again.navigate(job + "/turning/S1");
            assertThat(again.locator("tr.ink")).hasCount(4);
            again.navigate("/pocket");
            assertThat(again.locator("#jobs")).containsText("Without a line: 7 lines wait");
            again.navigate(job + "/plan");
            assertThat(again.locator("a.symbol[data-numbers^='T1']"))
                    .hasAttribute("data-numbers", Pattern.compile("N 1020\\.248, E 5077\\.395, H 12\\.000"));
            Assertions.assertThat(book(house, job).revision()).isEqualTo(before);
            line.mend();
            assertThat(again.locator("#pocket-words")).containsText("all sent");
            Setup setup = book(house, job).job().setup("S1").orElseThrow();
            Assertions.assertThat(setup.readings())
                    .extracting(Reading::target)
                    .isEqualTo(List.of("B", "T1", "T1", "B"));
            Assertions.assertThat(book(house, job).entries())
                    .filteredOn(entry -> entry.sequence() > before)
                    .allMatch(entry -> entry.onDevice().isPresent())
                    .extracting(entry -> entry.kind().stored())
                    .isEqualTo(List.of("mark", "setup", "order", "reading", "reading", "reading", "reading"));
        }
    }

    /** A name that somebody else took meanwhile: the device's line is set aside, legible; what does not rest on it arrives. */
    @Test
    void whatNoLongerFitsIsSetAsideWithItsReason(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Meanwhile");
            takeAlong(page, job);
            line.cut();
            TypedDay.enter(page, job, "D", "1200");
            TypedDay.enter(page, job, "E", "1300");
            FieldBook books = house.application().getBean(FieldBook.class);
            books.add(
                    job.replace("/job/", ""),
                    "other",
                    "wren",
                    new MarkAdded(Mark.control("D", 900, 5000, OptionalDouble.of(9), "other list")));
            line.mend();
            assertThat(page.locator("#pocket-aside")).containsText("D is in this job already");
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(book(house, job)
                            .job()
                            .mark("D")
                            .flatMap(Mark::given)
                            .orElseThrow()
                            .northing())
                    .isEqualTo(900);
            Assertions.assertThat(book(house, job).job().mark("E")).isPresent();
            // The device shows what the book holds, and goes on with it.
            page.navigate(job + "/mark");
            assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("other list")))
                    .containsText("900.000");
        }
    }

    /** At the edge of a network a line is often dead without being closed. Common practice, no source. */
    @Test
    void aLineThatFellSilentKeepsNothingBack(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Silent");
            takeAlong(page, job);
            line.fallSilent();
            TypedDay.enter(page, job, "E", "1300");
            assertThat(page.locator("#pocket-words")).containsText("1 line waits");
            assertThat(page.locator("#pocket-words"))
                    .containsText("no connection", new LocatorAssertions.ContainsTextOptions().setTimeout(SILENCE));
            line.mend();
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(book(house, job).job().mark("E")).isPresent();
        }
    }

    @Test
    void anExpiredSignInCostsNoLine(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Expired");
            takeAlong(page, job);
            page.context().clearCookies();
            TypedDay.enter(page, job, "E", "1300");
            assertThat(page.locator("#pocket-words")).containsText("1 line waits");
            assertThat(page.locator("#pocket-words")).containsText("sign in to send");
            Page door = page.context().newPage();
            door.navigate("/sign-in");
            door.getByLabel("Name").fill("wren");
            door.getByLabel("Password").fill("alder-weir");
            door.keyboard().press("Enter");
            door.waitForURL("**/job");
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(book(house, job).job().mark("E")).isPresent();
        }
    }

    @Test
    void anAnswerThatIsLostAfterStoringStoresOnce(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Lost answer");
            takeAlong(page, job);
            long before = book(house, job).revision();
            line.loseAnswers();
            TypedDay.enter(page, job, "E", "1300");
            assertThat(page.locator("#pocket-words")).containsText("1 line waits");
            page.waitForCondition(() -> book(house, job).revision() > before);
            line.mend();
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(book(house, job).revision()).isEqualTo(before + 1);
        }
    }
}
