package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Styles and scripts are asked for beneath their digest and kept for good. Source: RFC 9111, RFC 8246 (immutable). */
@ExtendWith(House.class)
class StaticPartsTest {
    @Test
    void whatAPageIsDrawnWithIsKeptForGood(House house) {
        Page page = house.visitor();
        List<String> asked = new ArrayList<>();
        page.onResponse(response -> asked.add(response.url()));
        page.navigate("/sign-in");
        page.waitForLoadState();
        List<String> parts =
                asked.stream().filter(url -> url.matches(".*\\.(css|js|woff2)")).toList();
        assertThat(parts).anyMatch(url -> url.endsWith("all.css")).anyMatch(url -> url.endsWith("house.js"));
        for (String url : parts) {
            assertThat(url).contains("/parts/");
            APIResponse answer = page.request().get(url);
            assertThat(answer.status()).as(url).isEqualTo(200);
            assertThat(answer.headers().get("cache-control")).as(url).contains("max-age=31536000", "immutable");
        }
    }

    /** A sheet that is not among those that are put together would style nothing. */
    @Test
    void everySheetIsAmongThoseThatAreSentTogether(House house) throws IOException {
        Page page = house.visitor();
        page.navigate("/sign-in");
        String all = page.request()
                .get(page.locator("link[rel=stylesheet]").getAttribute("href"))
                .text();
        try (Stream<Path> sheets = Files.list(Path.of("src/main/resources/static/css"))) {
            assertThat(sheets).isNotEmpty().allSatisfy(sheet -> assertThat(all).contains(Files.readString(sheet)));
        }
        assertThat(all).contains(".visually-hidden");
    }

    /** A page of an earlier build is not to keep today's styles under yesterday's address. */
    @Test
    void stylesOfAnotherBuildAreNotHere(House house) {
        assertThat(house.visitor()
                        .request()
                        .get("/parts/0123456789abcdef/css/all.css")
                        .status())
                .isEqualTo(404);
    }

    /** A script that is found only when another has come costs the line's delay once more. */
    @Test
    void aPageNamesEveryScriptThatItLoads(House house) {
        Page page = house.signedIn("wren");
        String sheet = house.demo(page) + "/turning/S4";
        List<String> asked = new ArrayList<>();
        page.onResponse(response -> asked.add(response.url()));
        page.navigate(sheet);
        assertThat(asked).anyMatch(url -> url.endsWith("turning.js")).anyMatch(url -> url.endsWith("draw.js"));
        String text = page.request().get(sheet).text();
        assertThat(asked)
                .filteredOn(url -> url.endsWith(".js"))
                .allSatisfy(url -> assertThat(text).contains(url.replaceAll("^https?://[^/]+", "")));
    }
}
