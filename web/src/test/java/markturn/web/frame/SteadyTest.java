package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitUntilState;
import java.util.List;
import markturn.web.House;
import markturn.web.pocket.Line;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What can be pressed stays where it stands: a press that begins on a button and ends where the button no longer is sends nothing, and
 * nobody is told. Letters and scripts come late here, as on a field connection. Source: Layout Instability, W3C draft community group
 * report, whose entries the browser itself writes.
 */
@ExtendWith(House.class)
class SteadyTest {
    private static final String WATCH = """
            window.moved = [];
            const named = ({ node, previousRect: from, currentRect: to }) =>
              `${node?.id || node?.className || node?.nodeName} from ${from.y} to ${to.y}`;
            new PerformanceObserver(list => list.getEntries().forEach(shift => moved.push(...shift.sources.map(named))))
              .observe({ type: "layout-shift", buffered: true });
            """;

    @ParameterizedTest
    @ValueSource(strings = {"/equipment?first", "/setup", "/turning/S1", "/review/correct?what=target", "/plan"})
    void nothingMovesOnceItStands(String place, House house) throws Exception {
        Page page = house.signedIn("wren");
        String demo = house.demo(page);
        page.context().addInitScript(WATCH);
        // Another address: nothing is kept of the pages before.
        try (Line line = new Line(house.address())) {
            line.slowDown();
            line.holdAnswers(asked -> asked.contains(".woff2"));
            page.navigate(
                    line.address() + demo + place,
                    new Page.NavigateOptions().setWaitUntil(WaitUntilState.DOMCONTENTLOADED));
            assertThat(page.locator("#content:not([data-draws]), #content[data-drawn]"))
                    .isVisible();
            page.waitForTimeout(300);
            line.goOn();
            page.waitForLoadState();
            page.waitForTimeout(300);
            Assertions.assertThat((List<?>) page.evaluate("moved")).isEmpty();
        }
    }

    /** The reset of the styles has pages glide to where they scroll: what is about to be pressed moves while they do. */
    @Test
    void aPageThatScrollsDoesNotGlide(House house) {
        Page page = house.visitor();
        page.navigate("/sign-in");
        Assertions.assertThat(page.evaluate("getComputedStyle(document.documentElement).scrollBehavior"))
                .isEqualTo("auto");
    }
}
