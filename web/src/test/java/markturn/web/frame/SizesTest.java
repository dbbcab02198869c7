package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import markturn.web.House;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every page at the sizes it is used in. Sources: WCAG 2.2, 1.4.10 (reflow) and 2.5.8; the house's own 44 px, 68 px and 88 px. */
@ExtendWith(House.class)
class SizesTest {
    private static final String[] PAGES = {
        "",
        "/mark",
        "/equipment",
        "/setup",
        "/turning/S4",
        "/review",
        "/review/S2",
        "/review/R1",
        "/detail/S2",
        "/traverse",
        "/network",
        "/point",
        "/point/POND 1",
        "/point/checks",
        "/plan",
        "/planning",
        "/setout?setup=S2&point=CREST 1",
        "/code",
        "/intake",
        "/deliver",
        "/practice",
        "/review/correct",
        "/review/glance"
    };

    /** What reaches beyond the right edge and cannot be scrolled to inside something of its own. */
    private static final String BEYOND = """
            () => [...document.querySelectorAll('body *')].filter(e => {
              const box = e.getBoundingClientRect();
              if (!box.width || box.right <= innerWidth + 1 || e.closest('svg')) return false;
              for (let up = e; up; up = up.parentElement) if (['auto', 'scroll', 'hidden', 'clip'].includes(getComputedStyle(up).overflowX)) return false;
              return true;
            }).map(e => e.tagName + '.' + e.className + ' ' + e.textContent.slice(0, 30))""";

    /** Controls that are seen and smaller than a thumb. */
    private static final String SMALL = """
            () => [...document.querySelectorAll('main button, main select, main input:not([type=hidden]):not([type=checkbox]):not([type=radio]), main a.act, main a.quiet-act')].filter(e => {
              const box = e.getBoundingClientRect();
              return box.width && getComputedStyle(e).visibility !== 'hidden' && !e.closest('.visually-hidden') && (box.height < 43.5 || box.width < 43.5);
            }).map(e => e.tagName + '.' + e.className + ' ' + (e.textContent || e.name).trim().slice(0, 30) + ' ' + Math.round(e.getBoundingClientRect().width) + 'x' + Math.round(e.getBoundingClientRect().height))""";

    @SuppressWarnings("unchecked")
    private static List<String> asked(Page page, String question) {
        return (List<String>) page.evaluate(question);
    }

    /** Whatever class lays it out; HTML, the hidden attribute: what is not yet, or no longer, relevant. */
    @ParameterizedTest
    @ValueSource(strings = {"d-flex", "d-block", "d-grid", "d-inline-flex"})
    void whatIsHiddenStaysHidden(String layout, House house) {
        Page page = house.visitor();
        page.navigate("/sign-in");
        assertThat(page.evaluate("""
                        layout => {
                          const hidden = Object.assign(document.createElement('p'), { className: layout, hidden: true });
                          document.body.append(hidden);
                          return getComputedStyle(hidden).display;
                        }""", layout)).isEqualTo("none");
    }

    @ParameterizedTest
    @CsvSource({"360, 640", "1180, 820", "1280, 800"})
    void nothingReachesBeyondTheEdge(int width, int height, House house) {
        Page page = house.signedIn("wren");
        page.setViewportSize(width, height);
        String demo = house.demo(page);
        List<String> wrong = new ArrayList<>();
        for (String path : PAGES) {
            page.navigate(demo + path);
            asked(page, BEYOND).forEach(what -> wrong.add(path + ": " + what));
            Number scrolls = (Number) page.evaluate("() => document.documentElement.scrollWidth - innerWidth");
            if (scrolls.intValue() > 1) {
                wrong.add(path + " scrolls sideways by " + scrolls);
            }
        }
        assertThat(wrong).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"360, 640", "1180, 820"})
    void whatIsTouchedAtTheTripodIsAsLargeAsAThumb(int width, int height, House house) {
        Page page = house.signedInByTouch("wren", width, height);
        String demo = house.demo(page);
        List<String> wrong = new ArrayList<>();
        for (String path : List.of(
                "/turning/S4", "/turning/S4?role=detail&face=left&target=N1&reflector=none", "/detail/S2", "/setup")) {
            page.navigate(demo + path);
            asked(page, SMALL).forEach(what -> wrong.add(path + ": " + what));
        }
        assertThat(wrong).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"360, 640", "1180, 820"})
    void theKeysAndBookAreTheLargest(int width, int height, House house) {
        Page page = house.signedInByTouch("wren", width, height);
        page.navigate(house.demo(page) + "/turning/S4?role=detail&face=left&target=N1&reflector=none");
        @SuppressWarnings("unchecked")
        Map<String, Number> sizes = (Map<String, Number>) page.evaluate("""
                () => { const high = s => document.querySelector(s).getBoundingClientRect().height;
                  const letters = s => parseFloat(getComputedStyle(document.querySelector(s)).fontSize);
                  return {key: high('#keys button'), book: high('#book-act'), digits: letters('#circle'), sentence: letters('#sentence')}; }""");
        boolean phone = width < 500;
        assertThat(sizes.get("key").doubleValue()).isGreaterThanOrEqualTo(phone ? 44 : 68);
        assertThat(sizes.get("book").doubleValue()).isGreaterThanOrEqualTo(phone ? 56 : 88);
        assertThat(sizes.get("digits").doubleValue()).isGreaterThanOrEqualTo(phone ? 28 : 40);
        assertThat(sizes.get("sentence").doubleValue()).isGreaterThanOrEqualTo(18);
    }
}
