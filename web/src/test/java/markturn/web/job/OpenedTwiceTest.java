package markturn.web.job;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The answer to a new job is lost on the way, and the page is sent again: there is one job. Common practice, no source. */
@ExtendWith(House.class)
class OpenedTwiceTest {
    @Test
    void theSamePageSentTwiceOpensOneJob(House house) {
        Page page = house.signedIn("wren");
        page.navigate("/job/new");
        page.locator("#name").fill("Sent twice");
        List<?> opened = (List<?>) page.evaluate("""
                async () => {
                    const csrf = name => document.querySelector(`meta[name=${name}]`).content;
                    const sent = () => fetch('/job/new', {
                        method: 'POST',
                        headers: { [csrf('csrf-header')]: csrf('csrf') },
                        body: new URLSearchParams(new FormData(document.querySelector('main form'))),
                    });
                    return [(await sent()).url, (await sent()).url];
                }""");
        assertThat((String) opened.get(0)).contains("/equipment");
        assertThat(opened.get(1)).isEqualTo(opened.get(0));
        page.navigate("/job?words=Sent+twice");
        assertThat(page.locator("#jobs tbody tr").count()).isEqualTo(1);
    }
}
