package markturn.web.planning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Mark;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.PlannedSetup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.pocket.Line;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Work is planned on the page, taken along, and begun at the tripod without a connection. Places and limits are made up. */
@ExtendWith(House.class)
class PlanningTest {
    private static BookedJob book(House house, String job) {
        return house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), "wren");
    }

    /** A, B due north and C, 10 m east of the line beyond B. */
    private static String openJob(Page page, String name) {
        String job = TypedDay.openJob(page, name);
        TypedDay.enter(page, job, "C", "1180");
        return job;
    }

    private static void open(Page page, String job) {
        page.navigate(job + "/planning");
        page.locator("#content[data-ready]").waitFor();
    }

    private static void tool(Page page, String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    private static void tap(Page page, double x, double y) {
        page.locator("#ground").click(new Locator.ClickOptions().setPosition(x, y));
    }

    /** Where a sign stands on the page. */
    private static BoundingBox sign(Page page, String name) {
        return page.locator(
                        "#ground .sign[data-name='" + name + "'] circle, #ground .sign[data-name='" + name + "'] path")
                .first()
                .boundingBox();
    }

    private static void drag(Page page, String name, double across, double down) {
        BoundingBox from = sign(page, name);
        double x = from.x + from.width / 2;
        double y = from.y + from.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        for (int i = 1; i <= 10; i++) {
            page.mouse().move(x + across * i / 10, y + down * i / 10);
        }
    }

    private static String station(Page page) {
        return page.locator("#setups .remark").first().textContent();
    }

    @Test
    void aSetupIsDraggedOverGroundThatHidesAMarkAndSaysWhatItGives(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Planned ground");
        open(page, job);
        assertThat(page.locator("#verdict")).containsText("No setup is planned yet");
        tool(page, "Wanted mark");
        tap(page, 200, 300);
        tool(page, "Set up here");
        tap(page, 470, 260);
        assertThat(page.locator("#verdict")).containsText("Nothing is asked of a mark yet");
        String before = station(page);
        Assertions.assertThat(before).matches("The station lies within [0-9.]+ mm, least well towards [a-z-]+\\.");
        assertThat(page.locator("#setups")).containsText("3 known marks: 3 things check it");
        assertThat(page.locator("#setups")).containsText("An error of a mark shows four times in five: A from");
        // While the finger drags, ellipse and numbers follow; the ellipse is read off the page.
        String ellipse = page.locator("#ellipses ellipse").last().getAttribute("rx");
        drag(page, "S1", -60, -120);
        assertThat(page.locator("#verdict")).containsText(Pattern.compile("S1: The station lies within [0-9.]+ mm"));
        assertThat(page.locator("#seen")).hasAttribute("d", Pattern.compile("M.*Z"));
        page.mouse().up();
        assertThat(page.locator("#setups .remark").first()).not().hasText(before);
        assertThat(page.locator("#ellipses ellipse").last()).not().hasAttribute("rx", ellipse);
        // A wall between it and A: the sight is blocked, and said so.
        BoundingBox ground = page.locator("#ground").boundingBox();
        BoundingBox a = sign(page, "A");
        double x = a.x + a.width / 2 - ground.x;
        double y = a.y + a.height / 2 - ground.y;
        tool(page, "Line that blocks");
        tap(page, x - 40, y - 25);
        tap(page, x + 120, y - 25);
        tool(page, "Finish it");
        assertThat(page.locator("#setups")).containsText("A (line 1) is not seen");
        assertThat(page.locator("#setups"))
                .containsText("2 known marks: one thing checks it, the distance between them");
        assertThat(page.locator("#rays .blocked")).hasCount(1);
        // What is drawn and not kept survives a reload.
        page.reload();
        page.locator("#content[data-ready]").waitFor();
        assertThat(page.locator("#message")).containsText("What you drew here before is on the plan again");
        assertThat(page.locator("#setups")).containsText("A (line 1) is not seen");
        page.getByText("Which marks see each other").click();
        assertThat(page.locator("#matrix")).containsText("sees");
        assertThat(page.locator("#in-sight path").first()).hasAttribute("d", Pattern.compile("M.*L.*"));
        tool(page, "Where to stand?");
        page.locator("#content[data-looked=fine]").waitFor();
        assertThat(page.locator("#worth")).containsText("hardly fixed");
        tool(page, "Keep it");
        assertThat(page.locator("#message")).containsText("Kept: First idea");
        BookedJob kept = book(house, job);
        Assertions.assertThat(kept.ground().obstacles())
                .extracting(Obstacle::kind)
                .isEqualTo(List.of(Obstacle.Kind.BLOCKS_VIEW));
        Assertions.assertThat(kept.plans().get(0).setups())
                .extracting(PlannedSetup::name)
                .isEqualTo(List.of("S1"));
    }

    @Test
    void whatItTakesIsProposedTakenAndBegunWithoutAConnection(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = openJob(page, "Planned work");
            open(page, job);
            tool(page, "Wanted mark");
            tap(page, 260, 260);
            page.getByLabel("W1, in plan, mm").fill("5");
            page.getByLabel("W1, in plan, mm").press("Tab");
            tool(page, "Propose setups");
            assertThat(page.locator("#verdict")).containsText("All that is asked will be had, in ");
            assertThat(page.locator("#setups .loses").first()).containsText("Without it W1 would not be found in plan");
            Assertions.assertThat(page.locator("[data-promise=W1]").textContent())
                    .matches("within [0-4]\\.[0-9] mm, .*");
            page.getByLabel("W1, in plan, mm").fill("0.2");
            page.getByLabel("W1, in plan, mm").press("Tab");
            assertThat(page.locator("#missed")).containsText("in plan, 0.2 mm is asked");
            tool(page, "Propose setups");
            assertThat(page.locator("#remedies")).containsText(Pattern.compile("would do|one known mark more"));
            page.getByLabel("W1, in plan, mm").fill("5");
            page.getByLabel("W1, in plan, mm").press("Tab");
            tool(page, "Propose setups");
            assertThat(page.locator("#remedies li")).hasCount(0);
            assertThat(page.locator("#looking")).hasText("");
            tool(page, "Take it as the work");
            page.waitForURL("**/setup");
            PlannedSetup planned = book(house, job).planned().get(0);
            page.navigate(job);
            page.locator("#take").click();
            assertThat(page.locator("#taken-words")).containsText("all sent");
            line.cut();
            // On a phone, at the tripod, with no line.
            page.setViewportSize(390, 844);
            page.navigate(job + "/setup");
            assertThat(page.locator("[data-part=planned]")).containsText(planned.name());
            page.navigate(job + "/setup?planned=" + planned.name());
            assertThat(page.locator("h1")).containsText("as planned");
            Assertions.assertThat(page.locator("#station").inputValue()).isEqualTo(planned.station());
            Assertions.assertThat(page.locator("[name='back-0']").inputValue())
                    .isEqualTo(planned.aims().get(0).target());
            Assertions.assertThat(page.locator("[name='back-0-height']").inputValue())
                    .isEmpty();
            // Begun there: once the backsight is booked, the circle of the wanted mark is expected where the plan has
            // it.
            page.setViewportSize(1280, 800);
            for (String height : List.of("height", "back-0-height", "fore-0-height")) {
                page.locator("[name='" + height + "']").fill("1.500");
            }
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                    .press("Enter");
            assertThat(page.locator("#sentence"))
                    .containsText("Face LEFT. Sight " + planned.aims().get(0).target());
            TypedDay.book(page, "0 00 00", "90 17 11", "100.001");
            assertThat(page.locator("#sentence")).containsText("Sight W1");
            assertThat(page.locator("main")).containsText("about " + expected(book(house, job), planned) + "°");
            line.mend();
        }
    }

    /** From the station to the wanted mark, against the backsight, whole degrees. */
    private static long expected(BookedJob book, PlannedSetup planned) {
        Mark.Coordinates station =
                book.job().mark(planned.station()).orElseThrow().given().orElseThrow();
        Mark.Coordinates back = book.job()
                .mark(planned.aims().get(0).target())
                .orElseThrow()
                .given()
                .orElseThrow();
        Mark.Coordinates wanted = book.plannedNear("W1").orElseThrow();
        double turn = azimuth(station, wanted) - azimuth(station, back);
        return (Math.round(Math.toDegrees(turn)) + 720) % 360;
    }

    private static double azimuth(Mark.Coordinates from, Mark.Coordinates to) {
        return Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
    }

    @Test
    void whatIsDifferentOnTheGroundIsPlannedAgain(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Different ground");
        open(page, job);
        tool(page, "Wanted mark");
        tap(page, 260, 260);
        page.getByLabel("W1, in plan, mm").fill("5");
        page.getByLabel("W1, in plan, mm").press("Tab");
        tool(page, "Propose setups");
        assertThat(page.locator("#verdict")).containsText("All that is asked will be had");
        tool(page, "Take it as the work");
        page.waitForURL("**/setup");
        PlannedSetup planned = book(house, job).planned().get(0);
        String gone = planned.aims().get(0).target();
        page.getByText("Different on the ground").first().click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(gone + " is gone"))
                .click();
        assertThat(page.locator("#message")).containsText("sights");
        assertThat(page.locator("#message")).containsText("All that is asked will be had");
        PlannedSetup again = book(house, job).planned().get(0);
        Assertions.assertThat(again.aims())
                .extracting(PlannedSetup.Aim::target)
                .doesNotContain(gone)
                .hasSameSizeAs(planned.aims());
    }

    /** What is sent by hand is read strictly: nothing of it is stored, and it is said what was expected. */
    @Test
    void whatIsNoPlanIsRefusedWithWhatWasExpected(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "No plan");
        long before = book(house, job).revision();
        String plan =
                "{\"name\":\"%s\",\"wanted\":[],\"setups\":[{\"name\":\"%s\",\"station\":\"A\",\"method\":\"occupied\","
                        + "\"instrument\":\"I1\",\"sets\":1,\"school\":\"returning\",\"aims\":[%s]}]}";
        String aim = "{\"target\":\"W9\",\"role\":\"nothing\",\"reflector\":\"Prism\"}";
        Assertions.assertThat(post(page, job, "keep", "{\"setups\":[", "{}")).contains("This is no plan");
        Assertions.assertThat(post(page, job, "keep", plan.formatted("", "S1", aim), "{}"))
                .contains("Expected a name of the plan");
        Assertions.assertThat(post(page, job, "keep", plan.formatted("x", "", aim), "{}"))
                .contains("Expected a name of each setup");
        Assertions.assertThat(post(page, job, "take", plan.formatted("x", "S1", ""), "{}"))
                .contains("S1 sights nothing");
        Assertions.assertThat(post(page, job, "take", plan.formatted("x", "S1", aim), "{}"))
                .contains("cannot be turned in");
        Assertions.assertThat(post(page, job, "take", "{\"name\":\"x\"}", "{}")).contains("No setup is planned yet");
        Assertions.assertThat(book(house, job).revision()).isEqualTo(before);
    }

    private static String post(Page page, String job, String act, String plan, String ground) {
        page.navigate(job + "/planning");
        APIResponse answer = page.request()
                .post(
                        job + "/planning/" + act,
                        RequestOptions.create()
                                .setHeader(
                                        page.locator("meta[name=csrf-header]").getAttribute("content"),
                                        page.locator("meta[name=csrf]").getAttribute("content"))
                                .setForm(FormData.create()
                                        .set("key", UUID.randomUUID().toString())
                                        .set("plan", plan)
                                        .set("ground", ground)));
        Assertions.assertThat(answer.status()).isEqualTo(422);
        return answer.text();
    }

    private static byte[] picture() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(50, 50, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    /** A at the foot of the picture's left edge, B at its top: 100 m over 50 points, and what lies between lies between. */
    @Test
    void aPictureIsLaidByMarksThatAreSeenInIt(House house) throws IOException {
        Page page = house.signedIn("wren");
        String job = openJob(page, "A picture by marks");
        open(page, job);
        page.getByText("A map or picture beneath").click();
        page.locator("#picture-file")
                .setInputFiles(new FilePayload("map.png", "image/png", "no picture".getBytes(StandardCharsets.UTF_8)));
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("This picture cannot be read: expected JPEG or PNG");
        page.locator("#picture-file").setInputFiles(new FilePayload("map.png", "image/png", picture()));
        page.locator("#world")
                .setInputFiles(new FilePayload("map.pgw", "text/plain", "0.5 0 0".getBytes(StandardCharsets.US_ASCII)));
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("This is no world file: expected six numbers");
        page.locator("#world").setInputFiles(new FilePayload[0]);
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("Expected two or three marks and where each is seen");
        assertThat(page.locator("#beneath image")).hasCount(0);
        seen(page, 0, "A", "0", "50");
        seen(page, 1, "B", "0", "0,0");
        seen(page, 2, "B", "o", "");
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("o: expected a number of picture points");
        seen(page, 2, "B", "", "");
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("Laid beneath");
        BoundingBox image = page.locator("#beneath image").boundingBox();
        BoundingBox a = sign(page, "A");
        BoundingBox b = sign(page, "B");
        Assertions.assertThat(image.x).isCloseTo(a.x + a.width / 2, Assertions.within(2.0));
        Assertions.assertThat(image.y).isCloseTo(b.y + b.height / 2, Assertions.within(2.0));
        Assertions.assertThat(image.y + image.height).isCloseTo(a.y + a.height / 2, Assertions.within(2.0));
    }

    private static void seen(Page page, int place, String mark, String across, String down) {
        page.locator("#mark-" + place).selectOption(mark);
        page.locator("[name=across-" + place + "]").fill(across);
        page.locator("[name=down-" + place + "]").fill(down);
    }

    @Test
    void groundComesFromAFileAndThePlanPrintsOnOnePage(House house) throws IOException {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Ground from a file");
        open(page, job);
        page.getByText("Obstacles", new Page.GetByTextOptions().setExact(true)).click();
        String polygon = """
                {"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"mill","top":18.5},
                "geometry":{"type":"Polygon","coordinates":[[[5020,1040],[5030,1040],[5030,1050],[5020,1040]]]}}]}""";
        page.locator("#file")
                .setInputFiles(new FilePayload(
                        "mill.geojson", "application/geo+json", polygon.getBytes(StandardCharsets.UTF_8)));
        tool(page, "Add them");
        assertThat(page.locator("#message")).containsText("1 obstacle added");
        assertThat(page.locator("#obstacle-list")).containsText("cannot be seen through up to 18.5");
        page.locator("#file")
                .setInputFiles(
                        new FilePayload("x.dxf", "text/plain", "not a drawing".getBytes(StandardCharsets.UTF_8)));
        tool(page, "Add them");
        assertThat(page.locator("#message")).containsText("No line and no polygon in this file");
        // A picture of 50 by 50 points beneath, half a metre each, by its world file.
        page.getByText("A map or picture beneath").click();
        page.locator("#picture-file").setInputFiles(new FilePayload("map.png", "image/png", picture()));
        page.locator("#world")
                .setInputFiles(new FilePayload(
                        "map.pgw",
                        "text/plain",
                        "0.5\n0\n0\n-0.5\n5000.25\n1099.75\n".getBytes(StandardCharsets.US_ASCII)));
        tool(page, "Lay it beneath");
        assertThat(page.locator("#message")).containsText("Laid beneath");
        assertThat(page.locator("#beneath image")).hasAttribute("width", "50");
        BoundingBox image = page.locator("#beneath image").boundingBox();
        BoundingBox b = sign(page, "B");
        Assertions.assertThat(image.x).isCloseTo(b.x + b.width / 2, Assertions.within(2.0));
        // A mark by two taped distances: 60 m from A and 80 m from B lie on a right angle over 100 m.
        page.locator("#new-mark").fill("T7");
        page.locator("#from-one-distance").fill("60");
        page.locator("#from-two-distance").fill("80");
        tool(page, "Add it");
        tool(page, "Set up here");
        BoundingBox a = sign(page, "A");
        page.mouse().click(a.x + a.width / 2, a.y + a.height / 2);
        assertThat(page.locator("#setups")).containsText("S1 on A");
        tool(page, "Keep it");
        assertThat(page.locator("#message")).containsText("Kept: First idea");
        Assertions.assertThat(book(house, job).plans().get(0).wanted().get(0).near())
                .satisfies(near -> {
                    Assertions.assertThat(near.northing()).isCloseTo(1036, Assertions.within(1e-6));
                    Assertions.assertThat(near.easting()).isCloseTo(5048, Assertions.within(1e-6));
                });
        page.navigate(job + "/planning/sheet?plan=First+idea");
        assertThat(page.locator("main")).containsText("S1");
        assertThat(page.locator("main")).containsText("To carry: Prism × 3");
        assertThat(page.locator("main")).containsText("T7");
    }
}
