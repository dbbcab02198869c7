package markturn.web.point;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.simulator.AlderWeir;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.result.Position;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** All checks of the demo, and a second sight that is decided by the reviewer. */
@ExtendWith(House.class)
class ChecksTest {
    private static Position place(BookedJob book, String mark) {
        return book.result().measured().mark(mark).orElseThrow().position().orElseThrow();
    }

    @Test
    void aSecondSightIsDecidedWithAReason(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(AlderWeir.job(), "wren", Set.of("wren", "ida"));
        Position first = place(fieldBook.book(id, "ida"), "CREST 3");
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/point/checks");
        assertThat(page.locator(".verdict")).containsText("2 of 8 checks are over their limit");
        Locator crest = page.locator("tbody.check", new Page.LocatorOptions().setHasText("CREST 3"));
        assertThat(crest).containsText("over its limit");
        // Control is not decided here: other work rests on it.
        assertThat(page.locator("tbody.check", new Page.LocatorOptions().setHasText("PILLAR 4"))
                        .locator("button"))
                .hasCount(0);
        crest.getByText("mean both").press("Enter");
        assertThat(page.locator(".message")).containsText("needs a reason");
        Assertions.assertThat(place(fieldBook.book(id, "ida"), "CREST 3")).isEqualTo(first);
        crest.locator("input.short").fill("both stations stand");
        crest.getByText("mean both").press("Enter");
        assertThat(crest).containsText("Decided: mean.");
        BookedJob after = fieldBook.book(id, "ida");
        // Half way, as both fixes are about as good: 11 mm and 11 mm apart.
        Assertions.assertThat(place(after, "CREST 3").distanceTo(first)).isBetween(0.004, 0.012);
        Assertions.assertThat(after.result().findings().stream()
                        .filter(f ->
                                f.code() == FindingCode.SECOND_FIX && f.target().equals("CREST 3"))
                        .map(Finding::answer))
                .allMatch(answer -> answer.filter(a -> a.reason().equals("both stations stand"))
                        .isPresent());
        // A decision is taken back by another one; both stay on record.
        crest.locator("input.short").fill("looked at the sheet again");
        crest.getByText("keep the first after all").press("Enter");
        assertThat(crest).containsText("Decided: keep.");
        Assertions.assertThat(place(fieldBook.book(id, "ida"), "CREST 3")).isEqualTo(first);
        Assertions.assertThat(fieldBook.book(id, "ida").job().decisions().stream()
                        .filter(d -> d.what().equals("second-sight")))
                .hasSize(2);
        page.navigate("/job/" + id + "/review/glance");
        assertThat(page.locator(".verdict")).containsText("stops are open");
        assertThat(page.locator("main")).containsText("both stations stand");
        page.navigate("/job/" + id + "/plan?scale=50000");
        assertThat(page.locator("#enough + form + p, section p").first()).containsText("10.000 m");
        assertThat(page.locator(".symbol.superfluous")).not().hasCount(0);
        assertThat(page.locator("main")).containsText("HUT, 103 to 104");
    }
}
