package markturn.web.turning;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import markturn.web.House;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What was booked is read back aloud where that was asked for on this device. Common practice, no source. */
@ExtendWith(House.class)
class ReadBackTest {
    @Test
    void aBookedLineIsReadBackOnlyWhereItWasAskedFor(House house) {
        Page page = house.signedIn("wren");
        page.addInitScript("window.heard = []; speechSynthesis.speak = said => { window.heard.push(said.text); };");
        String job = TypedDay.openJob(page, "Read back");
        TypedDay.occupy(page, job, "T1");
        TypedDay.book(page, "0 00 00", "89 42 50.1", "100.001");
        assertThat((List<?>) page.evaluate("window.heard")).isEmpty();
        page.locator(".something-else summary").press("Enter");
        page.locator("#read-back").check();
        page.locator(".something-else summary").press("Enter");
        page.locator("#circle").focus();
        TypedDay.book(page, "75 20 20.2", "88 34 05.6", "80.025");
        assertThat((List<?>) page.evaluate("window.heard"))
                .asString()
                .contains("T1, face left. Circle 75 degrees 20 minutes 20.2 seconds.")
                .contains("Slope 80.025.");
        page.reload();
        assertThat(page.locator("#read-back").isChecked()).isTrue();
    }
}
