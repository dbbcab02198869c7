package markturn.web.job;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.util.List;
import markturn.formats.JobFile;
import markturn.simulator.AlderWeir;
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
        List<String> opened = sentTwice(page, "/job/new");
        assertThat(opened.get(0)).contains("/equipment");
        assertThat(opened.get(1)).isEqualTo(opened.get(0));
        page.navigate("/job?words=Sent+twice");
        assertThat(page.locator("#jobs tbody tr").count()).isEqualTo(1);
    }

    @Test
    void aFileAndAPracticeJobTooAreOpenedOnce(House house) {
        Page page = house.signedIn("sol");
        page.navigate("/job");
        page.locator("#file")
                .setInputFiles(new FilePayload("weir.json", "application/json", JobFile.write(AlderWeir.job())));
        for (String form : List.of("/job/import", "/practice/open")) {
            List<String> opened = sentTwice(page, form);
            assertThat(opened.get(0)).matches(".*/job/[0-9a-f-]{36}(/setup)?");
            assertThat(opened.get(1)).isEqualTo(opened.get(0));
        }
    }

    /** Where the form to that address led, sent as it stands once and once more. */
    @SuppressWarnings("unchecked")
    private static List<String> sentTwice(Page page, String form) {
        return (List<String>) page.evaluate("""
                async address => {
                    const csrf = name => document.querySelector(`meta[name=${name}]`).content;
                    const sent = () => fetch(address, {
                        method: 'POST',
                        headers: { [csrf('csrf-header')]: csrf('csrf') },
                        body: new FormData(document.querySelector(`form[action='${address}']`)),
                    });
                    return [(await sent()).url, (await sent()).url];
                }""", form);
    }
}
