package markturn.web.review;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Set;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Reflector;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Two people change one thing at once: the second is shown what the first did, and nothing is overwritten unseen. Common practice, no source. */
@ExtendWith(House.class)
class MeanwhileTest {
    @Test
    void aConstantCorrectedTwiceAtOnce(House house) {
        FieldBook books = house.application().getBean(FieldBook.class);
        String id = books.open(AlderWeir.job(), "wren", Set.of("wren", "sol"));
        String name = AlderWeir.job().reflectors().get(0).name();
        Page one = asking(house.signedIn("wren"), id, name, "-34");
        Page other = asking(house.signedIn("sol"), id, name, "-35");
        confirm(one);
        Assertions.assertThat(constant(books, id, name)).isEqualTo(-0.034);
        confirm(other);
        assertThat(other.locator(".message")).containsText("Wren Halloran corrected the same note");
        assertThat(other.locator("#constant")).hasValue("-35");
        Assertions.assertThat(constant(books, id, name)).isEqualTo(-0.034);
        // Having seen it, one may go on.
        other.locator("#correct button:not([name])").last().click();
        confirm(other);
        Assertions.assertThat(constant(books, id, name)).isEqualTo(-0.035);
    }

    private static Page asking(Page page, String id, String reflector, String constant) {
        page.navigate("/job/" + id + "/review/correct?what=reflectorConstant");
        page.locator("#reflectorName").selectOption(reflector);
        page.locator("#constant").fill(constant);
        page.locator("#reason").fill("constant of the other prism");
        page.locator("#correct button:not([name])").last().click();
        assertThat(page.locator("#moved-head")).isVisible();
        return page;
    }

    private static void confirm(Page page) {
        page.locator("button[name=confirm]").click();
        page.waitForLoadState();
    }

    private static double constant(FieldBook books, String id, String reflector) {
        return books.book(id, "wren").job().reflectors().stream()
                .filter(r -> r.name().equals(reflector))
                .map(Reflector::constant)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aCodeDescribedTwiceAtOnce(House house) {
        FieldBook books = house.application().getBean(FieldBook.class);
        String id = books.open(AlderWeir.job(), "wren", Set.of("wren", "sol"));
        String code = AlderWeir.job().codes().get(0).name();
        Page one = house.signedIn("wren");
        one.navigate("/job/" + id + "/code?code=" + code);
        Page other = house.signedIn("sol");
        other.navigate("/job/" + id + "/code?code=" + code);
        one.locator("#words").fill("what wren says");
        one.locator("form button.act").last().click();
        other.locator("#words").fill("what sol says");
        other.locator("form button.act").last().click();
        assertThat(other.locator("main")).containsText("while this page was open");
        Assertions.assertThat(words(books, id, code)).isEqualTo("what wren says");
        other.locator("form button.act").last().click();
        other.waitForURL("**/code");
        Assertions.assertThat(words(books, id, code)).isEqualTo("what sol says");
    }

    private static String words(FieldBook books, String id, String code) {
        return books.book(id, "wren").job().code(code).words();
    }
}
