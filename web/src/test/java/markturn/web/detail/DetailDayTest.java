package markturn.web.detail;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Detail as an observer books it: typed at the demo's second station, and taken with the simulated station in a practice job. */
@ExtendWith(House.class)
class DetailDayTest {
    private static FieldBook fieldBook(House house) {
        return house.application().getBean(FieldBook.class);
    }

    private static String demo(House house) {
        return fieldBook(house).open(AlderWeir.job(), "wren", Set.of("wren", "ida"));
    }

    private static Job job(House house, String id) {
        return fieldBook(house).book(id, "wren").job();
    }

    private static void type(Page page, String circle, String zenith, String slope) {
        page.locator("#circle").fill(circle);
        page.locator("#circle").press("Enter");
        page.locator("#zenith").fill(zenith);
        page.locator("#zenith").press("Enter");
        page.locator("#slope").fill(slope);
        page.locator("#slope").press("Enter");
    }

    @Test
    void shotAfterShotWithNamesThatComeByThemselves(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2");
        assertThat(page.locator("#sentence")).hasText("Sight 2004. Pole at 2.000.");
        type(page, "60-00-00", "90-10-00", "22.500");
        assertThat(page.locator("#sentence")).hasText("Sight 2005. Pole at 2.000.");
        assertThat(page.locator("tr[data-line]").last()).containsText("2004");
        assertThat(page.locator("tr[data-line] .place").last()).containsText("N ");
        // The next code by its letter, a wall goes on where it was; its height and pole stay.
        page.locator("[data-choose-code='WALL']").press("Enter");
        assertThat(page.locator("#sentence")).hasText("Sight 304, on line 1. Pole at 2.000.");
        page.locator("#height").fill("2.150");
        page.locator("#circle").focus();
        page.keyboard().press("b");
        assertThat(page.locator("#sentence")).hasText("Sight 304, begins line 2. Pole at 2.000.");
        assertThat(page.locator("#height")).hasValue("2.150");
        type(page, "61-00-00", "90-10-00", "23.500");
        assertThat(page.locator("#sentence")).hasText("Sight 305, on line 2. Pole at 2.150.");
        type(page, "62-00-00", "90-10-00", "24.500");
        assertThat(page.locator("#sentence")).hasText("Sight 306, on line 2. Pole at 2.150.");
        page.locator("#circle").focus();
        page.keyboard().press("e");
        assertThat(page.locator("#sentence")).hasText("Sight 306, closes line 2. Pole at 2.150.");
        type(page, "63-00-00", "90-10-00", "22.000");
        assertThat(page.locator("#sentence")).hasText("Sight 307, begins line 3. Pole at 2.150.");
        Assertions.assertThat((Integer) page.locator(".sketch .code-line").count())
                .isGreaterThanOrEqualTo(3);
        // Every sign but the last shot's is in one stroke, and has its name beside it.
        String signs = page.locator(".sketch .signs").getAttribute("d");
        Assertions.assertThat(signs.chars().filter(c -> c == 'M').count())
                .isEqualTo(page.locator(".sketch > text[transform]").count())
                .isGreaterThan(10);
        assertThat(page.locator(".sketch .sign.last text")).hasText("306");
        Job job = job(house, id);
        Assertions.assertThat(job.mark("306")
                        .orElseThrow()
                        .joining()
                        .orElseThrow()
                        .act()
                        .key())
                .isEqualTo("close");
        Reading last = job.setup("S2")
                .orElseThrow()
                .readings()
                .get(job.setup("S2").orElseThrow().readings().size() - 1);
        Assertions.assertThat(last.targetHeight().orElseThrow().value()).isEqualTo(2.150);
        // A typed name that is known is a second sight: never an overwrite.
        page.locator("#name").fill("2004");
        page.locator("#name").press("Enter");
        type(page, "60-00-00", "90-10-00", "22.560");
        assertThat(page.locator(".again").last()).containsText("second sight");
        page.locator("form.second input.short").last().fill("pole was leaning");
        page.waitForResponse(
                "**/detail/S2/second-sight",
                () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("replace"))
                        .last()
                        .press("Enter"));
        assertThat(page.locator("form.second")).hasCount(0);
        Assertions.assertThat(Survey.compute(job(house, id)).measured().checks().stream()
                        .filter(c -> c.mark().equals("2004"))
                        .findFirst()
                        .orElseThrow()
                        .plan()
                        .getAsDouble())
                .isBetween(0.058, 0.062);
        // A fault stays under its digits, and nothing is stored.
        int before = job(house, id).setup("S2").orElseThrow().readings().size();
        type(page, "60-64-00", "90-10-00", "22.560");
        assertThat(page.locator("#echo-circle")).containsText("Minutes 64");
        Assertions.assertThat(job(house, id).setup("S2").orElseThrow().readings())
                .hasSize(before);
    }

    @Test
    void aNameTypedByHandIsBookedOnceAndMovesOn(House house) {
        String id = demo(house);
        int before = job(house, id).setup("S2").orElseThrow().readings().size();
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2");
        page.locator("#name").fill("GATE 07");
        type(page, "60-00-00", "90-10-00", "22.500");
        assertThat(page.locator("tr[data-line]").last()).containsText("GATE 07");
        for (String field : new String[] {"#circle", "#zenith", "#slope"}) {
            assertThat(page.locator(field)).hasValue("");
        }
        assertThat(page.locator("#name")).hasValue("2004");
        page.locator("#book-act").click();
        assertThat(page.locator("#echo-circle")).containsText("Empty");
        Assertions.assertThat(job(house, id).setup("S2").orElseThrow().readings())
                .hasSize(before + 1);
        // The very same readings again: asked first, then stored where it is meant.
        type(page, "60-00-00", "90-10-00", "22.500");
        assertThat(page.locator("#message")).containsText("Again the same?");
        assertThat(page.locator("#message")).containsText("GATE 07");
        Assertions.assertThat(job(house, id).setup("S2").orElseThrow().readings())
                .hasSize(before + 1);
        page.locator("#book-act").click();
        assertThat(page.locator("tr[data-line]").last()).containsText("2004");
        Assertions.assertThat(job(house, id).setup("S2").orElseThrow().readings())
                .hasSize(before + 2);
    }

    @Test
    void aNameThatIsReadLikeAnotherAndATwinAreSaid(House house) {
        String id = demo(house);
        int before = job(house, id).setup("S2").orElseThrow().readings().size();
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2");
        page.locator("#name").fill("2O04");
        type(page, "60-00-00", "90-10-00", "22.500");
        assertThat(page.locator("tr[data-line]").last()).containsText("2O04");
        page.locator("#name").fill("2004");
        type(page, "60-00-05", "90-10-00", "22.503");
        assertThat(page.locator("#message")).containsText("2004 looks like 2O04");
        Assertions.assertThat(job(house, id).setup("S2").orElseThrow().readings())
                .hasSize(before + 1);
        page.locator("#book-act").click();
        assertThat(page.locator("tr[data-line]").last()).containsText("2004");
        // It lies 3 mm from the one booked before: said at once.
        assertThat(page.locator("#message")).containsText("2004 lies 3");
        assertThat(page.locator("#message")).containsText("from 2O04");
    }

    @Test
    void anyLineIsStruckAndLinesAreClosedAndReopenedAfterTheFact(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2");
        showAll(page);
        var wall = page.locator("tr[data-line]", new Page.LocatorOptions().setHasText("303"));
        // The last of the wall closes its line, and opens it again.
        wall.locator("summary").click();
        wall.getByText("closes it").click();
        Assertions.assertThat(act(page, house, id, "303")).isEqualTo("close");
        page.navigate("/job/" + id + "/detail/S2?all=yes");
        wall.locator("summary").click();
        wall.getByText("lies on it").click();
        Assertions.assertThat(act(page, house, id, "303")).isEqualTo("go-on");
        page.navigate("/job/" + id + "/detail/S2?all=yes");
        wall.locator("summary").click();
        wall.getByText("on no line").click();
        assertThat(page.locator("h1")).containsText("detail");
        page.waitForCondition(
                () -> job(house, id).mark("303").orElseThrow().joining().isEmpty());
        // A line that is not the last one is struck out with its reason.
        page.navigate("/job/" + id + "/detail/S2?all=yes");
        wall.locator("summary").click();
        wall.getByText("pole not plumb").click();
        assertThat(page.locator("[data-choose-all='yes']")).isVisible();
        showAll(page);
        assertThat(page.locator("tr.struck", new Page.LocatorOptions().setHasText("303")))
                .containsText("pole not plumb");
    }

    /** Until all lines stand there: the answer draws the rows anew, and what was unfolded meanwhile is folded. */
    private static void showAll(Page page) {
        page.locator("[data-choose-all='yes']").click();
        assertThat(page.locator("[data-choose-all='yes']")).isHidden();
    }

    /** How a mark joins its line, once the page has its answer: it shows the last lines only again. */
    private static String act(Page page, House house, String id, String mark) {
        assertThat(page.locator("[data-choose-all='yes']")).isVisible();
        return job(house, id)
                .mark(mark)
                .orElseThrow()
                .joining()
                .orElseThrow()
                .act()
                .key();
    }

    @Test
    void whatStandsBesideThePoleAndWhatCannotBeReached(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/detail/S2?code=TREE");
        page.locator("#circle").focus();
        page.keyboard().press("o");
        page.locator("#along").fill("0,30");
        page.locator("#across").fill("-0.10");
        page.locator("#circle").focus();
        type(page, "60-00-00", "90-00-00", "20.000");
        assertThat(page.locator("#sentence")).containsText("2005");
        Reading.Offset offset = job(house, id).setup("S2").orElseThrow().readings().stream()
                .filter(r -> r.target().equals("2004"))
                .findFirst()
                .orElseThrow()
                .offset()
                .orElseThrow();
        Assertions.assertThat(offset).isEqualTo(new Reading.Offset(0.30, -0.10, 0));
        // A round object leads through its three sights. Source of the radius: r = d sin θ, plane geometry.
        page.getByText("Something special").press("Enter");
        page.getByText("A round object").press("Enter");
        assertThat(page.locator("#sentence")).hasText("2005: Sight the LEFT edge: angles only.");
        // Nothing holds the observer up: what cannot be finished now is left, and taken up again.
        page.getByText("leave it for later").press("Enter");
        assertThat(page.locator("#sentence")).containsText("Sight 2006");
        page.getByText("Something special").press("Enter");
        page.getByText("Take up what was left").press("Enter");
        assertThat(page.locator("#sentence")).hasText("2005: Sight the LEFT edge: angles only.");
        type(page, "70-00-00", "90-00-00", "");
        assertThat(page.locator("#sentence")).hasText("2005: Sight the RIGHT edge: angles only.");
        type(page, "74-00-00", "90-00-00", "");
        assertThat(page.locator("#sentence")).containsText("FRONT");
        type(page, "72-00-00", "90-00-00", "15.000");
        assertThat(page.locator("#sentence")).containsText("Sight 2006");
        var measured = Survey.compute(job(house, id)).measured();
        double toFront = measured.setup("S2")
                .station()
                .orElseThrow()
                .distanceTo(measured.mark("2005 front").orElseThrow().position().orElseThrow());
        double toMiddle = measured.setup("S2")
                .station()
                .orElseThrow()
                .distanceTo(measured.mark("2005").orElseThrow().position().orElseThrow());
        Assertions.assertThat(toMiddle)
                .isCloseTo(toFront / (1 - Math.sin(Math.toRadians(2))), org.assertj.core.api.Assertions.within(1e-6));
    }

    @Test
    void aPracticeJobIsShotWithoutTyping(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/practice");
        page.getByText("Switch the simulated devices on").press("Enter");
        page.waitForLoadState();
        page.navigate("/job/" + id + "/detail/S2?code=TREE");
        page.locator("#circle").press("Enter");
        assertThat(page.locator("#sentence")).containsText("2005");
        assertThat(page.locator("tr[data-line] .place").last()).containsText("N ");
        page.locator("#take").press("Enter");
        assertThat(page.locator("#sentence")).containsText("2006");
        page.locator("[data-choose-up='ground']").press("Enter");
        assertThat(page.locator("[data-choose-up='ground']")).hasAttribute("aria-pressed", "true");
        page.getByText("Strike 2005").press("Enter");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("pole not plumb"))
                .press("Enter");
        assertThat(page.locator("tr.struck").last()).containsText("pole not plumb");
    }

    @Test
    void aCodeListOfItsOwn(House house) {
        String id = demo(house);
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/code");
        page.locator("#name").fill("FENCE");
        page.locator("#first").fill("2500");
        page.locator("#last").fill("3100");
        page.getByText("Enter this code").press("Enter");
        assertThat(page.locator("#fault-first")).containsText("TREE has the numbers 2000 to 2999");
        page.locator("#first").fill("3000");
        // What was said of other digits does not stand under these.
        assertThat(page.locator("#fault-first")).hasCount(0);
        page.locator("#line").check();
        page.locator("input[name=stroke][value=dashed]").check();
        // Another page and back: what was chosen is chosen, and no choice stands for another.
        page.navigate("/job/" + id + "/mark");
        page.navigate("/job/" + id + "/code");
        assertThat(page.locator("#first")).hasValue("3000");
        assertThat(page.locator("input[name=stroke][value=solid]")).hasCount(1);
        assertThat(page.locator("input[name=stroke][value=dashed]")).isChecked();
        page.locator("#line").check();
        page.getByText("Enter this code").press("Enter");
        page.waitForURL("**/code");
        assertThat(page.locator("tbody tr").last()).containsText("FENCE");
        Code fence = job(house, id).code("FENCE");
        Assertions.assertThat(fence.line()).isTrue();
        Assertions.assertThat(fence.stroke()).isEqualTo(Code.Stroke.DASHED);
        Assertions.assertThat(fence.nextFree(job(house, id))).contains("3000");
        // The reviewer looks; booking is the surveyor's.
        Page reviewer = house.signedIn("ida");
        reviewer.navigate("/job/" + id + "/code");
        assertThat(reviewer.locator("tbody tr").last()).containsText("FENCE");
        assertThat(reviewer.locator("#name")).hasCount(0);
        Assertions.assertThat(House.posted(reviewer, "/job/" + id + "/code")).isEqualTo(403);
    }
}
