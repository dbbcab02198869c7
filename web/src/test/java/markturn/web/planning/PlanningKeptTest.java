package markturn.web.planning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import markturn.fieldbook.BookedJob;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WorkPlan;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.pocket.Line;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What is planned is lost to nobody: not to a late answer, another plan, a proposal, another person, or a line that is cut. Common practice, no source. */
@ExtendWith(House.class)
class PlanningKeptTest {
    private Page page;
    private String job;

    @BeforeEach
    void open(House house) {
        page = house.signedIn("wren");
        job = TypedDay.openJob(page, "Kept plans");
        TypedDay.enter(page, job, "C", "1180");
        openAt(page);
    }

    private void openAt(Page at) {
        at.navigate(job + "/planning");
        at.locator("#content[data-ready]").waitFor();
    }

    private BookedJob book(House house) {
        return house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), "wren");
    }

    private static void press(Page at, String name) {
        at.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    private static void tap(Page at, String tool, double... places) {
        press(at, tool);
        for (int i = 0; i < places.length; i += 2) {
            at.locator("#ground").click(new Locator.ClickOptions().setPosition(places[i], places[i + 1]));
        }
    }

    private static void keepAs(Page at, String name) {
        at.locator("#plan-name").fill(name);
        press(at, "Keep it");
        assertThat(at.locator("#message")).hasText("Kept: " + name + ".");
    }

    private int wanted() {
        return page.locator("#wanted .promise").count();
    }

    /** Waits until the plan has been tried once more. */
    private void tried(Runnable after) {
        String before = page.locator("#content").getAttribute("data-tried");
        after.run();
        assertThat(page.locator("#content")).not().hasAttribute("data-tried", before);
    }

    @Test
    void theFieldInHandStaysInHandWhenTheAnswerComes(House house) {
        tap(page, "Wanted mark", 260, 260);
        page.getByLabel("W1, in plan, mm").fill("5");
        tried(() -> page.getByLabel("W1, in plan, mm").press("Tab"));
        page.keyboard().type("7");
        // An answer that comes while more is typed leaves that alone.
        tried(() -> {
            page.locator("#sheet-link")
                    .evaluate("e => document.getElementById('minutes-set').dispatchEvent(new Event('change'))");
            page.keyboard().type(".5");
        });
        page.keyboard().type("2");
        tried(() -> page.keyboard().press("Tab"));
        assertThat(page.getByLabel("W1, no hidden error above, mm")).isFocused();
        press(page, "Keep it");
        assertThat(page.locator("#message")).hasText("Kept: First idea.");
        WorkPlan kept = book(house).plans().get(0);
        Assertions.assertThat(kept.wanted().get(0).plan()).hasValue(0.005);
        Assertions.assertThat(kept.wanted().get(0).elevation()).hasValue(0.00752);
        // So does a choice among the setups.
        tap(page, "Set up here", 470, 260);
        page.getByLabel("Sets at S1").focus();
        tried(() -> page.getByLabel("Sets at S1").selectOption("3"));
        assertThat(page.getByLabel("Sets at S1")).isFocused();
    }

    @Test
    void aPlanThatIsNotKeptComesBackWhenAnotherWasTakenUp() {
        tap(page, "Wanted mark", 260, 260);
        keepAs(page, "First idea");
        tap(page, "Wanted mark", 300, 200);
        keepAs(page, "Second");
        page.locator("#plans").selectOption("First idea");
        assertThat(page.locator("#wanted .promise")).hasCount(1);
        page.reload();
        page.locator("#content[data-ready]").waitFor();
        assertThat(page.locator("#message")).isEmpty();
        page.locator("#plans").selectOption("First idea");
        tap(page, "Wanted mark", 340, 320, 200, 300);
        page.locator("#plans").selectOption("Second");
        assertThat(page.locator("#plan-name")).hasValue("Second");
        assertThat(page.locator("#wanted .promise")).hasCount(2);
        page.reload();
        assertThat(page.locator("#message")).containsText("it is not kept yet");
        assertThat(page.locator("#plans")).containsText("First idea, not kept");
        page.locator("#plans").selectOption("First idea");
        assertThat(page.locator("#wanted .promise")).hasCount(3);
        press(page, "Keep it");
        assertThat(page.locator("#plans")).not().containsText("not kept");
    }

    @Test
    void aProposalLeavesWhatWasMadeByHand() {
        tap(page, "Wanted mark", 260, 260);
        page.getByLabel("W1, in plan, mm").fill("5");
        tried(() -> page.getByLabel("W1, in plan, mm").press("Tab"));
        tap(page, "Set up here", 470, 260);
        press(page, "Propose setups");
        assertThat(page.locator("#plan-name")).hasValue("First idea, proposal");
        page.locator("#plans").selectOption("First idea");
        assertThat(page.locator("#setups .planned")).hasCount(1);
        assertThat(page.locator("#setups")).containsText("free station");
    }

    @Test
    void whoPutsAwayWhatOthersKeptKnowsItBefore(House house) {
        Page other = house.signedIn("wren");
        openAt(other);
        tap(other, "Line that blocks", 300, 200, 340, 200);
        press(other, "Finish it");
        keepAs(other, "First idea");
        tap(page, "Line that blocks", 500, 200, 540, 200, 540, 260);
        press(page, "Finish it");
        press(page, "Keep it");
        assertThat(page.locator("#message"))
                .containsText(Pattern.compile(
                        "The ground was drawn anew by wren while this page was open\\..*send it once more"));
        Assertions.assertThat(book(house).ground().obstacles().get(0).corners()).hasSize(2);
        press(page, "Keep it");
        assertThat(page.locator("#message")).hasText("Kept: First idea.");
        Assertions.assertThat(book(house).ground().obstacles().get(0).corners()).hasSize(3);
        // The other page has an older plan of that name; its ground it did not change since.
        tap(page, "Wanted mark", 260, 260);
        press(page, "Keep it");
        assertThat(page.locator("#plans")).not().containsText("not kept");
        tap(other, "Wanted mark", 200, 260, 240, 300);
        press(other, "Keep it");
        assertThat(other.locator("#message"))
                .containsText("A plan called First idea was kept by wren while this page was open.");
        Assertions.assertThat(book(house).plans().get(0).wanted()).hasSize(1);
        Assertions.assertThat(book(house).ground().obstacles().get(0).corners()).hasSize(3);
        press(other, "Keep it");
        assertThat(other.locator("#message")).hasText("Kept: First idea.");
        // Having kept a plan it has not seen the ground of now either.
        tap(other, "Line that blocks", 200, 200, 240, 200);
        press(other, "Finish it");
        press(other, "Keep it");
        assertThat(other.locator("#message")).containsText("The ground was drawn anew by wren");
        Assertions.assertThat(book(house).ground().obstacles()).hasSize(1);
    }

    @Test
    void aPlanDoesNotTakeTheNameOfAnother(House house) {
        tap(page, "Wanted mark", 260, 260);
        keepAs(page, "First idea");
        tap(page, "Wanted mark", 300, 200);
        keepAs(page, "Second");
        page.locator("#plan-name").fill("First idea");
        press(page, "Keep it");
        assertThat(page.locator("#message")).containsText("There is another plan called First idea already.");
        Assertions.assertThat(book(house).plans().get(0).wanted()).hasSize(1);
        press(page, "Keep it");
        assertThat(page.locator("#message")).hasText("Kept: First idea.");
        Assertions.assertThat(book(house).plans().get(0).wanted()).hasSize(2);
    }

    @Test
    void nobodyIsSentToPointAtAWallThatWasDrawnJustNow(House house) {
        // Occupied A sees B due north and C beside it, until a wall stands right before B.
        String setup = "{\"name\":\"S1\",\"station\":\"A\",\"method\":\"occupied\",\"instrument\":\"I1\",\"sets\":1,"
                + "\"school\":\"returning\",\"aims\":[%s]}";
        String aims = List.of("B", "C").stream()
                .map(target -> "{\"target\":\"" + target + "\",\"role\":\"BACKSIGHT\",\"reflector\":\"Prism\"}")
                .collect(java.util.stream.Collectors.joining(","));
        Object drawn = page.evaluate(
                "async ([url, plan]) => {"
                        + "const state = await (await fetch(url + '/state')).json();"
                        + "const b = state.known.find(m => m.name === 'B');"
                        + "const corner = by => ({ northing: b.northing - 1, easting: b.easting + by });"
                        + "const ground = { obstacles: [{ name: 'wall', kind: 'blocks-view', closed: false, corners: [corner(-0.5), corner(0.5)] }] };"
                        + "const headers = { [document.querySelector('meta[name=csrf-header]').content]: document.querySelector('meta[name=csrf]').content };"
                        + "const body = new URLSearchParams({ key: crypto.randomUUID(), plan, ground: JSON.stringify(ground) });"
                        + "return (await fetch(url + '/take', { method: 'POST', headers, body })).text(); }",
                List.of(
                        job + "/planning",
                        "{\"name\":\"x\",\"wanted\":[],\"setups\":[" + setup.formatted(aims) + "]}"));
        Assertions.assertThat(drawn.toString()).contains("Kept: x.");
        Assertions.assertThat(book(house).planned().get(0).aims())
                .extracting(PlannedSetup.Aim::target)
                .isEqualTo(List.of("C"));
    }

    @Test
    void aLineThatIsCutIsSaidAndWhatWasDrawnStays(House house) throws Exception {
        try (Line line = new Line(house.address())) {
            Page outside = house.signedInAt(line.address(), "wren");
            openAt(outside);
            tap(outside, "Line that blocks", 300, 200, 340, 200);
            press(outside, "Finish it");
            outside.getByText("Obstacles").click();
            outside.locator("#file")
                    .setInputFiles(
                            new FilePayload("ground.json", "application/json", "{}".getBytes(StandardCharsets.UTF_8)));
            line.cut();
            for (String act : List.of("Add them", "Keep it")) {
                press(outside, act);
                assertThat(outside.locator("#message"))
                        .containsText("There was no answer: whether it is kept is not known.");
                outside.locator("#message").evaluate("e => e.textContent = ''");
            }
            line.mend();
            press(outside, "Add them");
            assertThat(outside.locator("#message")).containsText("No line and no polygon in this file");
            press(outside, "Keep it");
            assertThat(outside.locator("#message")).hasText("Kept: First idea.");
        }
    }

    @Test
    void aTopThatIsNoElevationIsAskedForAgain() {
        tap(page, "Line that blocks", 300, 200, 340, 200);
        page.locator("#top").fill("12 m");
        press(page, "Finish it");
        assertThat(page.locator("#message")).containsText("\"12 m\" is no elevation");
        assertThat(page.locator("#draft circle")).hasCount(2);
        page.locator("#top").fill("12,5");
        // Another tool finishes what is whole.
        press(page, "Wanted mark");
        page.getByText("Obstacles").click();
        assertThat(page.locator("#obstacle-list")).containsText("cannot be seen through up to 12.5 m");
        press(page, "Figure that blocks");
        page.locator("#ground").click(new Locator.ClickOptions().setPosition(300, 300));
        press(page, "Finish it");
        assertThat(page.locator("#message")).containsText("A figure has at least 3 corners");
        Assertions.assertThat(wanted()).isZero();
    }

    /** A page that got no answer says so, and not that it is about to show something. Common practice, no source. */
    @Test
    void aPlanThatCannotBeFetchedIsSaid(House house) {
        Page page = house.signedIn("wren");
        String job = house.demo(page);
        page.route("**/state", Route::abort);
        page.navigate(job + "/planning");
        assertThat(page.locator("#message")).containsText("There is no answer");
        assertThat(page.locator("#verdict")).isEmpty();
    }
}
