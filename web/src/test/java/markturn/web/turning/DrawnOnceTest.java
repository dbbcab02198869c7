package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.ArrayList;
import java.util.List;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A page at the instrument is drawn once and answered by what changed. Common practice, no source. */
@ExtendWith(House.class)
class DrawnOnceTest {
    @Test
    void typingAsksNothingAndALineIsOneRequestAnsweredByItself(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "One request"), "T1");
        TypedDay.book(page, "0 00 00", "89 42 49", "100.001");
        List<String> asked = new ArrayList<>();
        page.onRequest(request -> asked.add(request.method() + " " + request.url()));
        page.locator("#circle").pressSequentially("75 20 20.2");
        page.keyboard().press("Enter");
        page.locator("#zenith").pressSequentially("0883405.6");
        page.keyboard().press("Enter");
        page.locator("#slope").pressSequentially("80.025");
        assertThat(page.locator("#echo-zenith")).hasText("88°34'05.6\"");
        Assertions.assertThat(asked).isEmpty();
        Response answer =
                page.waitForResponse("**/reading", () -> page.keyboard().press("Enter"));
        assertThat(page.locator("tr.ink")).hasCount(2);
        Assertions.assertThat(asked).hasSize(1);
        String text = answer.text();
        Assertions.assertThat(text)
                .contains("75°20'20.2")
                .doesNotContain("\"circle\":\"0°00'00")
                .doesNotContain("<");
        Assertions.assertThat(text.length()).isLessThan(6000);
    }

    @Test
    void whoeverIsBehindGetsAllAndTwoTabsAreNotTakenForEachOther(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Two tabs");
        TypedDay.occupy(page, job, "T1");
        Page other = page.context().newPage();
        other.navigate(job + "/turning/S1");
        TypedDay.book(page, "0 00 00", "89 42 49", "100.001");
        // The other tab still asks for the first line; what is typed there comes as a second sight of it, and it sees
        // both.
        other.locator("#circle").fill("0 00 01");
        other.locator("#zenith").fill("89 42 50");
        other.locator("#slope").fill("100.002");
        other.locator("#slope").press("Enter");
        assertThat(other.locator("tr.ink")).hasCount(2);
        page.locator(".something-else summary").press("Enter");
        page.locator("#add-set").click();
        assertThat(page.locator("tr.ink")).hasCount(2);
        // The same choice in two tabs is drawn in both.
        page.navigate(job + "/detail/S1");
        other.navigate(job + "/detail/S1");
        page.locator("#name").fill("W1");
        page.locator("#height").fill("1.5");
        TypedDay.type(page, "circle", "20 00 00", "zenith", "90 00 00", "slope", "10");
        page.locator("#book-act").click();
        assertThat(page.locator("tr[data-line]").last()).containsText("W1");
        other.reload();
        for (Page each : List.of(page, other)) {
            each.getByText("as you look").click();
            assertThat(each.locator(".north g")).hasAttribute("transform", "rotate(-20.0)");
        }
    }

    /** A line that waited while the last pointing of the order was booked elsewhere is sent all the same. */
    @Test
    void aLineThatWaitsIsSentFromAPageWithoutALineInHand(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Waits");
        TypedDay.occupy(page, job, "");
        TypedDay.turnTwoSetsToB(page);
        assertThat(page.locator(".through")).isVisible();
        assertThat(page.locator("#live")).hasCount(0);
        String line = "key=waited&target=B&role=CHECK&set=&face=LEFT&reflector=Prism&height=1.500&heightTo=axis&aside=1"
                + "&circle=90+00+01&zenith=89+42+49&slope=100.001";
        page.evaluate(
                "line => localStorage.setItem('waiting wren ' + document.getElementById('content').dataset.url, line)",
                line);
        page.reload();
        assertThat(page.locator("tr.ink")).hasCount(5);
        assertThat(page.locator("#waiting")).isHidden();
    }
}
