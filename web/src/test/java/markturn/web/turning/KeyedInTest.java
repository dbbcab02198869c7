package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static markturn.web.turning.TypedDay.book;
import static markturn.web.turning.TypedDay.openJob;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.util.OptionalDouble;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What the instrument had keyed in, the air, and the circle a closing sight was read on, typed as a surveyor types them. */
@ExtendWith(House.class)
class KeyedInTest {
    private static Job booked(Page page, String job) throws FaultyFile {
        return JobFile.read(page.request().get(job + "/deliver/job-file").body());
    }

    private static void instrument(Page page, String job, String name, String wavelength) {
        page.navigate(job + "/equipment");
        TypedDay.type(
                page,
                "name",
                name,
                "directionStdDev",
                "2",
                "zenithStdDev",
                "2",
                "distanceStdDev",
                "2",
                "distancePpm",
                "2",
                "centringStdDev",
                "0",
                "heightStdDev",
                "0",
                "wavelength",
                wavelength);
        page.getByText("Add the instrument").click();
        assertThat(page.locator("main")).containsText(name);
    }

    private static void occupy(Page page, String job, String instrument, String sets) {
        page.navigate(job + "/setup");
        page.locator("#instrument").selectOption(instrument);
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        page.getByText("How the sets are turned").click();
        page.locator("#sets").fill(sets);
        page.locator("[name='back-0']").fill("B");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("1.500");
    }

    private static void begin(Page page) {
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B.");
    }

    @Test
    void whatWasKeyedInIsTakenOutAndSaid(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Keyed in");
        instrument(page, job, "Red", "0.658");
        occupy(page, job, "Red", "1");
        page.locator("#temperature").fill("35");
        page.locator("#pressure").fill("900");
        page.getByText("Keyed into the instrument").first().click();
        page.locator("#keyed").selectOption("typed");
        page.getByText("Begin the setup").click();
        assertThat(page.locator("#fault-keyedPpm")).containsText("expected what the instrument shows");
        page.locator("#keyedPpm").fill("0");
        page.locator("#keyedConstant").fill("0");
        // IAG 1999, dry air, by hand: N_g = 287.6155 + 4.88660/0.658² + 0.06800/0.658⁴ = 299.265; at 35 °C and 900 hPa
        // 299.265 · 273.15/1013.25 · 900/308.15 = 235.62; at the reference, 15 °C and 1013.25 hPa, 283.69: 48.1 ppm.
        assertThat(page.locator("#effects")).containsText("The air is worth 48.1 ppm, keyed in are 0.0: 48 mm at 1 km");
        begin(page);
        book(page, "0 00 00", "90 00 00", "100.030");
        Reading reading = booked(page, job).setups().get(0).readings().get(0);
        Assertions.assertThat(reading.applied())
                .contains(new Reading.Applied(OptionalDouble.of(0), OptionalDouble.of(0)));
        page.navigate(job + "/review/S1");
        assertThat(page.locator("main")).containsText("48.1 ppm for the air keyed 0.0: 48 mm at 1 km put right");
        // The prism's constant of -30 mm was not keyed in either: 100.030 - 0.030 + 4.8 mm.
        Assertions.assertThat(Double.parseDouble(
                        page.locator("table.sheet tbody tr td.n").first().innerText()))
                .isCloseTo(100.0048, within(0.0006));
    }

    @Test
    void airWithoutAWavelengthIsSaidToDoNothing(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "No wavelength");
        instrument(page, job, "Plain", "");
        occupy(page, job, "Plain", "1");
        page.locator("#temperature").fill("22");
        page.locator("#pressure").fill("985");
        assertThat(page.locator("#effects")).containsText("no wavelength");
        begin(page);
        book(page, "0 00 00", "90 00 00", "100.000");
        page.navigate(job + "/review/S1");
        assertThat(page.locator("main")).containsText("nothing can be computed from them");
    }

    @Test
    void aClosingSightOnAnEarlierCircleIsHeldAgainstThatCircle(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Stepped circle");
        instrument(page, job, "Plain", "");
        occupy(page, job, "Plain", "2");
        begin(page);
        book(page, "0 00 00", "90 00 00", "100.000");
        book(page, "180 00 00", "270 00 00", "100.000");
        book(page, "72 00 00", "90 00 00", "100.000");
        book(page, "252 00 00", "270 00 00", "100.000");
        // The circle was turned back to where the first set began.
        TypedDay.aside(page, "check", "B", "left", "Prism", "1.5");
        book(page, "0 00 03", "90 00 00", "100.000");
        assertThat(page.locator("tr.ink").last())
                .containsText("turned +3.0\" since the backsight, on the circle of set 1");
        Reading closing = booked(page, job).setups().get(0).readings().get(4);
        Assertions.assertThat(closing.set()).hasValue(1);
    }
}
