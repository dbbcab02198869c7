package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Double taps, lost answers, an expired sign-in: a line is stored once, and nothing typed is lost. */
@ExtendWith(House.class)
class LostAnswerTest {
    private static final String POSTING = "**/turning/S1/reading";

    @Test
    void aLineWhoseAnswerWasLostIsSentAgainAndStoredOnce(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Lost answer"), "");
        AtomicInteger lost = new AtomicInteger();
        page.route(POSTING, route -> {
            if (lost.incrementAndGet() == 1) {
                // The server stores it, the answer never arrives.
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
        page.locator("#circle").fill("10 00 00");
        page.locator("#book-act").click();
        assertThat(page.locator("#message")).containsText("goes out by itself");
        assertThat(page.locator("#waiting")).isVisible();
        assertThat(page.locator("tr.ink")).hasCount(1);
        assertThat(page.locator("#sentence")).containsText("Face RIGHT");
        page.reload();
        assertThat(page.locator("tr.ink")).hasCount(1);
    }

    /** A line that is dead without having been closed: said after seconds, given up after most of a minute, and the pointing sent anew. */
    @Test
    void aLineThatFellSilentIsSaidAndSentAgain(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Silent line"), "");
        page.clock().install();
        List<Route> unanswered = new ArrayList<>();
        page.route(POSTING, route -> {
            if (unanswered.isEmpty()) {
                unanswered.add(route);
            } else {
                route.resume();
            }
        });
        page.locator("#circle").fill("10 00 00");
        page.waitForRequest(POSTING, () -> page.locator("#book-act").click());
        assertThat(page.locator("#waiting")).isHidden();
        page.clock().fastForward(6_000);
        assertThat(page.locator("#message")).containsText("There is no answer yet.");
        assertThat(page.locator("#waiting")).isVisible();
        page.clock().fastForward(46_000);
        assertThat(page.locator("#message")).containsText("The server cannot be reached.");
        page.clock().fastForward(3_000);
        assertThat(page.locator("tr.ink")).hasCount(1);
        assertThat(page.locator("#waiting")).isHidden();
        assertThat(page.locator("#message")).isEmpty();
        assertThat(page.locator("#circle")).isEditable();
        page.reload();
        assertThat(page.locator("tr.ink")).hasCount(1);
    }

    /** It may be stored already: digits that are changed meanwhile would be gone when its answer comes. */
    @Test
    void aLineThatWaitsGoesOutAsItStands(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Waits as it stands"), "");
        page.route(POSTING, Route::abort);
        page.locator("#circle").fill("10 00 00");
        page.locator("#book-act").click();
        assertThat(page.locator("#waiting")).isVisible();
        page.locator("#circle").press("1");
        assertThat(page.locator("#circle")).hasValue("10 00 00");
        page.reload();
        assertThat(page.locator("#circle")).hasAttribute("readonly", "");
        page.unroute(POSTING);
        assertThat(page.locator("tr.ink")).containsText("10°00'00");
        page.locator("#circle").fill("11 00 00");
    }

    /** What is refused for a reason waits for nothing: it is put right, and booked. */
    @Test
    void whatIsRefusedForAReasonDoesNotWait(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Refused"), "");
        page.route(
                POSTING,
                route -> route.fulfill(new Route.FulfillOptions()
                        .setStatus(409)
                        .setContentType("application/problem+json")
                        .setBody("{\"detail\": \"Another line is stored under this key.\"}")));
        page.locator("#circle").fill("10 00 00");
        page.locator("#book-act").click();
        assertThat(page.locator("#message")).containsText("Another line is stored under this key.");
        assertThat(page.locator("#waiting")).isHidden();
        page.unroute(POSTING);
        page.locator("#circle").fill("11 00 00");
        page.locator("#book-act").click();
        assertThat(page.locator("tr.ink")).containsText("11°00'00");
    }

    @Test
    void aSecondTapFindsTheFieldsEmpty(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Double tap"), "");
        page.locator("#circle").fill("10 00 00");
        page.evaluate("() => { const b = document.getElementById('book-act'); b.click(); b.click(); }");
        assertThat(page.locator("tr.ink")).hasCount(1);
        assertThat(page.locator("#circle")).hasValue("");
        page.locator("#book-act").click();
        assertThat(page.locator("#echo-circle")).containsText("Empty");
        page.reload();
        assertThat(page.locator("tr.ink")).hasCount(1);
    }

    @Test
    void anExpiredSignInKeepsTheLine(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Expired");
        TypedDay.occupy(page, job, "");
        page.locator("#circle").fill("10 00 00");
        page.context().clearCookies();
        page.locator("#book-act").click();
        assertThat(page.locator("#message")).containsText("Sign in again");
        assertThat(page.locator("#circle")).hasValue("10 00 00");
        page.navigate(job + "/turning/S1");
        page.getByLabel("Name").fill("wren");
        page.getByLabel("Password").fill("alder-weir");
        page.keyboard().press("Enter");
        // Back on the page, the line that waited goes out.
        assertThat(page.locator("tr.ink")).hasCount(1);
    }

    @Test
    void whatStandsInAFormOutlivesAReloadAndAnExpiredSignIn(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Draft");
        // What the server took in is not offered again.
        assertThat(page.locator("[name='name-0']")).hasValue("");
        page.locator("[name='name-0']").fill("C");
        page.reload();
        assertThat(page.locator("[name='name-0']")).hasValue("C");
        page.context().clearCookies();
        page.getByText("Enter these marks").click();
        page.getByLabel("Name").fill("wren");
        page.getByLabel("Password").fill("alder-weir");
        page.keyboard().press("Enter");
        page.waitForURL("**/job**");
        page.navigate(job + "/mark");
        assertThat(page.locator("[name='name-0']")).hasValue("C");
    }

    /** Two people on one device: what one booked is neither shown to nor sent by the other, and says when it was read. */
    @Test
    void aWaitingLineBelongsToWhoBookedIt(House house) {
        Page page = house.signedIn("wren");
        String demo = "/job/"
                + house.application().getBean(FieldBook.class).open(AlderWeir.job(), "wren", Set.of("wren", "sol"));
        page.navigate(demo + "/turning/S4?role=detail&face=left&target=GATE 9&reflector=none");
        page.route("**/turning/S4/reading", Route::abort);
        page.locator("#circle").fill("123 04 05");
        page.locator("#book-act").click();
        assertThat(page.locator("#waiting")).isVisible();
        page.locator("#sign-out button").click();
        assertThat(page.locator("#sign-out .fault")).containsText("1 line waits on this device, for you alone");
        page.locator("#sign-out button").click();
        page.waitForURL("**/sign-in?out");
        page.unroute("**/turning/S4/reading");
        AtomicInteger posted = new AtomicInteger();
        page.onRequest(
                r -> posted.addAndGet(r.method().equals("POST") && r.url().endsWith("/reading") ? 1 : 0));
        signIn(page, "sol");
        page.navigate(demo + "/turning/S4?role=detail&face=left&target=GATE 9&reflector=none");
        assertThat(page.locator("#waiting")).isHidden();
        assertThat(page.locator("#circle")).hasValue("");
        page.waitForTimeout(500);
        Assertions.assertThat(posted).hasValue(0);
        page.context().clearCookies();
        page.navigate("/sign-in");
        signIn(page, "wren");
        page.navigate(demo + "/turning/S4?role=detail&face=left&target=GATE 9&reflector=none");
        assertThat(page.locator("tr.ink").last()).containsText("123°04'05");
        Assertions.assertThat(posted).hasValue(1);
    }

    private static void signIn(Page page, String name) {
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill("alder-weir");
        page.keyboard().press("Enter");
        page.waitForURL("**/job");
    }
}
