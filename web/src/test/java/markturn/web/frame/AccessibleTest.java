package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
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
        "/planning",
        "/deliver",
        "/deliver/report",
        "/detail/S2",
        "/detail/S2?code=WALL&join=begin&up=ground",
        "/code",
        "/code?code=WALL",
        "/setout?setup=S2&point=CREST 1&found=CREST 2",
        "/setout?setup=S2&from=PILLAR 1&to=PILLAR 2&place=CREST 1",
        "/point/checks",
        "/review/glance",
        "/intake"
    };

    private static final String[] TRIPOD_PAGES = {"", "/turning/S4", "/review/S2", "/detail/S2"};

    /** What passes is not told node by node, and what is told stays in its page: there are no frames, and it takes a third less time. */
    private static AxeBuilder violations(Page page) {
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).options(options).setLegacyMode(true);
    }

    @ParameterizedTest
    @ValueSource(strings = {"day", "night", "sun"})
    void axeFindsNothing(String theme, House house) {
        Page page = house.signedIn("wren");
        page.locator("button[name=theme][value=" + theme + "]").click();
        String demo = house.demo(page);
        for (String path : theme.equals("day") ? PAGES : TRIPOD_PAGES) {
            page.navigate(demo + path);
            if (!path.equals("/deliver/report")) {
                assertThat(page.locator("html").getAttribute("data-theme")).isEqualTo(theme);
            }
            // A theme changes nothing but colours and strokes.
            AxeBuilder axe =
                    theme.equals("day") ? violations(page) : violations(page).withRules(List.of("color-contrast"));
            var violations = axe.analyze().getViolations();
            assertThat(violations.stream()
                            .map(v -> v.getId() + " " + v.getNodes().get(0).getHtml())
                            .toList())
                    .as(theme + " " + path)
                    .isEmpty();
        }
        if (!theme.equals("day")) {
            return;
        }
        page.navigate(demo + "/intake");
        page.locator("#file")
                .setInputFiles(new FilePayload(
                        "list.csv",
                        "text/csv",
                        "name,northing,easting\nPILLAR 1,2000,5001\nN 1,2,x\nN 2,1,2\n"
                                .getBytes(StandardCharsets.UTF_8)));
        page.locator("button.act").press("Enter");
        page.locator("#conflicts").waitFor();
        assertThat(violations(page).analyze().getViolations()).as("preview").isEmpty();
        for (String path : new String[] {"/job", "/job/new"}) {
            page.navigate(path);
            assertThat(violations(page).analyze().getViolations()).as(path).isEmpty();
        }
    }
}
