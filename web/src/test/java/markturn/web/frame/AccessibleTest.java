package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import markturn.web.House;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Source: WCAG 2.2 as axe-core checks it, in all three themes. */
@ExtendWith(House.class)
class AccessibleTest {
    private static final String[] PAGES = {
        "",
        "/mark",
        "/equipment",
        "/setup",
        "/setup/how",
        "/setup?from=S3&to=PILLAR 2",
        "/practice",
        "/review/correct",
        "/turning/S4",
        "/review",
        "/review/S2",
        "/review/R1",
        "/turning/R1",
        "/traverse",
        "/network",
        "/point",
        "/point/POND 1",
        "/plan",
        "/deliver"
    };

    private static final String[] TRIPOD_PAGES = {"", "/turning/S4", "/review/S2"};

    @ParameterizedTest
    @ValueSource(strings = {"day", "night", "sun"})
    void axeFindsNothing(String theme, House house) {
        Page page = house.signedIn("wren");
        page.locator("button[name=theme][value=" + theme + "]").click();
        String demo = house.demo(page);
        for (String path : theme.equals("day") ? PAGES : TRIPOD_PAGES) {
            page.navigate(demo + path);
            assertThat(page.locator("html").getAttribute("data-theme")).isEqualTo(theme);
            var violations = new AxeBuilder(page).analyze().getViolations();
            assertThat(violations.stream()
                            .map(v -> v.getId() + " " + v.getNodes().get(0).getHtml())
                            .toList())
                    .as(theme + " " + path)
                    .isEmpty();
        }
        for (String path : new String[] {"/job", "/job/new"}) {
            page.navigate(path);
            assertThat(new AxeBuilder(page).analyze().getViolations()).as(path).isEmpty();
        }
    }
}
