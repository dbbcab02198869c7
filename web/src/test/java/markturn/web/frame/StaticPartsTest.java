package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
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
        assertThat(parts).anyMatch(url -> url.endsWith("frame.css")).anyMatch(url -> url.endsWith("house.js"));
        for (String url : parts) {
            assertThat(url).containsAnyOf("/parts/", "/webjars/");
            APIResponse answer = page.request().get(url);
            assertThat(answer.status()).as(url).isEqualTo(200);
            assertThat(answer.headers().get("cache-control")).as(url).contains("max-age=31536000", "immutable");
        }
    }
}
