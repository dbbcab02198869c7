package markturn.web.instrument;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import markturn.simulator.Campaign;
import markturn.simulator.Campaigns;
import markturn.simulator.World;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What an office remembers of an instrument: jobs of eight days, one of them after a fall, with readings of known truth. */
@ExtendWith(House.class)
class InstrumentMemoryTest {
    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
    }

    private static Reading read(Reading reading, double collimation) {
        double by = reading.face() == Reading.Face.LEFT ? collimation : -collimation;
        String shown = AngleUnit.DMS.write(Angles.onCircle(reading.circle().radians() + by), 1);
        return reading.withCircle(new Circle(AngleUnit.DMS.read(shown), shown));
    }

    /** Three sets to five targets, with an instrument known by its serial number whose line of sight is off. */
    private static Job day(int day, String serial, double collimation) {
        World world = new World().with("P", 0, 0, 100);
        for (int i = 0; i < 5; i++) {
            double at = 2 * Math.PI * i / 5;
            world.with("T" + i, 120 * Math.cos(at), 120 * Math.sin(at), 100 + 2 * i);
        }
        Campaign campaign = new Campaign(
                        day, world, ClassOfWork.Preset.PRECISE, Campaigns.instrument(2), Campaigns.prism(), 3)
                .control("P")
                .control("T0")
                .wanted("T1")
                .wanted("T2")
                .wanted("T3")
                .wanted("T4")
                .on(Instant.parse("2026-05-0" + day + "T09:00:00Z"))
                .occupy("S1", "P", List.of("T0"), List.of("T1", "T2", "T3", "T4"), List.of());
        Job job = campaign.job();
        List<Instrument> instruments = List.of(job.instruments().get(0).known(serial, List.of()));
        List<Setup> setups = job.setups().stream()
                .map(s -> s.withReadings(
                        s.readings().stream().map(r -> read(r, collimation)).toList()))
                .toList();
        return new Job(
                "Day " + day + " of " + serial,
                "Otter Bank",
                job.units(),
                job.classOfWork(),
                job.planOnly(),
                job.earth(),
                instruments,
                job.reflectors(),
                job.codes(),
                job.marks(),
                setups,
                job.fixes(),
                job.references(),
                job.traverses(),
                job.network(),
                job.adopted(),
                job.decisions());
    }

    private static Page remembered(House house, String serial, int days) {
        FieldBook book = house.application().getBean(FieldBook.class);
        for (int day = 1; day <= days; day++) {
            book.open(day(day, serial, (day == 7 ? 24 : 3) * Angles.SECOND), "wren", Set.of("wren"));
        }
        Page page = house.signedIn("wren");
        // The list waits for what was just booked.
        page.navigate("/job");
        page.navigate("/office/instrument/" + serial);
        return page;
    }

    @Test
    void whatHappenedToItIsDrawnAndSaid(House house) {
        Page page = remembered(house, "MT-1", 7);
        Assertions.assertThat(page.locator(".verdict").textContent())
                .matches(
                        "Collimation 2[2-6]\\.\\d\", index .* It jumped there, after 6 May 2026 .*: test it before you rely on one face\\.");
        assertThat(page.locator(".history .jump")).hasCount(1);
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Day 7 of MT-1")))
                .containsText("collimation jumped");
        // Somebody who is no member sees the instrument, and not the names of jobs.
        Page other = house.signedIn("sol");
        other.navigate("/office/instrument/MT-1");
        assertThat(other.locator("main")).containsText("another job, S1");
        assertThat(other.locator("main")).not().containsText("Day 7");
    }

    @Test
    void aNewJobBeginsWithItAndRemembers(House house) {
        Page page = remembered(house, "MT-2", 6);
        // Five targets less one, three sets less one: eight degrees a day, and the two seconds that the readings were
        // made
        // with.
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("direction, one set")))
                .containsText("48");
        press(page, "New jobs begin with its own figures");
        assertThat(page.locator(".message")).containsText("Expected why these figures are to be relied on");
        page.locator("[name=reason]").fill("six days in spring");
        // A seventh day is booked while the page is open: what is taken is what was looked at.
        FieldBook book = house.application().getBean(FieldBook.class);
        book.open(day(7, "MT-2", 3 * Angles.SECOND), "wren", Set.of("wren"));
        house.signedIn("wren");
        press(page, "New jobs begin with its own figures");
        assertThat(page.locator(".message")).containsText("More sets were booked while this page was open");
        assertThat(page.locator("[name=reason]")).hasValue("six days in spring");
        press(page, "New jobs begin with its own figures");
        assertThat(page.locator("main")).containsText("of 56 and");
        page.locator("#issued").fill("2025-01-10");
        page.locator("#due").fill("2025-01-10");
        press(page, "Note this certificate");
        assertThat(page.locator(".message")).containsText("a later day");
        page.locator("#issued").fill("2025-01-10");
        page.locator("#due").fill("2026-01-10");
        page.locator("#words").fill("constant of the round prism -34.4 mm");
        press(page, "Note this certificate");
        assertThat(page.locator("main")).containsText("was due 2026-01-10");
        page.navigate("/office/instrument");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("MT-2")))
                .containsText("certificate was due 2026-01-10");
        page.locator("#name").fill("Prism");
        page.locator("#issued").fill("2026-02-01");
        page.locator("#words").fill("-30.2 mm ± 0.3");
        press(page, "Note this test");
        assertThat(page.locator("main")).containsText("Prism 2026-02-01 -30.2 mm");
        String job = TypedDay.openJob(page, "Begun with MT-2");
        page.navigate(job + "/equipment");
        assertThat(page.locator("main")).containsText("Prism, as tested on 2026-02-01: -30.2 mm");
        page.locator("select[name=serial]").selectOption("MT-2");
        press(page, "Take this instrument");
        // The typed day has an instrument of that name already: nothing is overwritten.
        assertThat(page.locator(".fault")).containsText("I1 is");
        Instrument known = house.application()
                .getBean(InstrumentMemory.class)
                .forNewJob("MT-2")
                .orElseThrow();
        Assertions.assertThat(known.remembered()).hasSize(5);
        Assertions.assertThat(known.directionStdDev() / Angles.SECOND).isBetween(1.6, 2.4);
    }

    @Test
    void aTestIsLedThroughAndStatesWhatItFound(House house) {
        Page page = remembered(house, "MT-3", 1);
        press(page, "Test it");
        page.waitForURL("**/setup");
        assertThat(page.locator(".house-job")).hasText("Instrument test MT-3, " + LocalDate.now());
        assertThat(page.locator("[data-part=planned] section > ul > li")).hasCount(4);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Series 1"))
                .click();
        assertThat(page.locator("#method")).hasValue("angles");
        assertThat(page.locator("[name=fore-3]")).hasValue("TARGET 5");
        press(page, "Begin the setup");
        page.waitForURL("**/turning/Series%201");
        page.navigate(page.url().replaceAll("/turning.*", "/equipment/test"));
        assertThat(page.locator("main")).containsText("No series of this job is whole yet");
        FieldBook book = house.application().getBean(FieldBook.class);
        String whole = book.open(day(4, "MT-3", 0), "wren", Set.of("wren"));
        page.navigate("/job/" + whole + "/equipment/test");
        Assertions.assertThat(page.locator(".verdict").textContent())
                .matches("s = \\d\\.\\d\" of 8 degrees of freedom; may reach 2\\.8\": as good as stated");
    }
}
