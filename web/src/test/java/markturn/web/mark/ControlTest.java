package markturn.web.mark;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Given marks: what is asked about before it is stored, and what is corrected or withdrawn afterwards. */
@ExtendWith(House.class)
class ControlTest {
    private static Job job(House house, String job) {
        return house.application()
                .getBean(FieldBook.class)
                .book(job.replace("/job/", ""), "wren")
                .job();
    }

    private static void mark(Page page, String name, String north, String east, String up) {
        TypedDay.type(
                page, "name-0", name, "northing-0", north, "easting-0", east, "elevation-0", up, "source-0", "list");
        page.getByText("Enter these marks").click();
    }

    @Test
    void whatLooksLikeASlipIsAskedAboutAndNotRefused(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Doubts");
        page.navigate(job + "/mark");
        mark(page, "a", "1200", "5000", "10");
        assertThat(page.locator("form[data-path='/enter'] .tick .fault").first())
                .containsText("a looks like A, which this job knows");
        Assertions.assertThat(job(house, job).marks()).hasSize(2);
        page.locator("#meant-0").check();
        page.getByText("Enter these marks").click();
        assertThat(page.locator("#meant-0")).isHidden();
        Assertions.assertThat(job(house, job).mark("a")).isPresent();
        mark(page, "D", "1000.001", "5000.001", "10");
        assertThat(page.locator("form[data-path='/enter'] .tick .fault").first())
                .containsText("A lies at that very place");
        page.navigate(job + "/mark");
        mark(page, "E", "1300", "5000", "10000");
        assertThat(page.locator("form[data-path='/enter'] .tick .fault").first())
                .containsText("It lies 9990 m higher than the others");
    }

    @Test
    void givenCoordinatesAreCorrectedAndWithdrawnWithAReason(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Correct control");
        TypedDay.occupy(page, job, "T1");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.030");
        TypedDay.book(page, "90 00 00", "90 00 00", "50.030");
        page.navigate(job + "/mark");
        page.locator(".correct-control summary").click();
        page.locator("#given-mark").selectOption("A");
        page.locator("#given-northing").fill("1000.5");
        page.locator("#given-easting").fill("5000");
        page.locator("#given-elevation").fill("10");
        page.getByText("Correct it").click();
        assertThat(page.locator(".message")).containsText("corrected with a reason");
        page.locator("#given-reason").fill("a digit was dropped from the list");
        page.getByText("Correct it").click();
        // What moves is shown, from where to where, and nothing is booked before it is ticked.
        assertThat(page.locator("#fault-moves")).containsText("2 marks move: A from N 1000.000 E 5000.000");
        assertThat(page.locator("#fault-moves")).containsText("to N 1000.500 E 5000.000");
        Assertions.assertThat(job(house, job).decisions()).isEmpty();
        // What was ticked was what had been shown: another number is shown anew.
        page.locator("#moves").check();
        page.locator("#given-northing").fill("1000.7");
        assertThat(page.locator("#moves")).isHidden();
        page.getByText("Correct it").click();
        assertThat(page.locator("#fault-moves")).containsText("to N 1000.700 E 5000.000");
        Assertions.assertThat(job(house, job).decisions()).isEmpty();
        page.locator("#given-northing").fill("1000.5");
        page.getByText("Correct it").click();
        assertThat(page.locator("#fault-moves")).containsText("to N 1000.500 E 5000.000");
        page.locator("#moves").check();
        page.getByText("Correct it").click();
        assertThat(page.locator(".said")).containsText("A is corrected. 2 marks moved.");
        Job corrected = job(house, job);
        Assertions.assertThat(
                        corrected.mark("A").orElseThrow().given().orElseThrow().northing())
                .isEqualTo(1000.5);
        Decision decision = corrected.decisions().get(corrected.decisions().size() - 1);
        Assertions.assertThat(decision.what()).isEqualTo(Decision.CORRECT_CONTROL);
        Assertions.assertThat(decision.before().orElseThrow().toString()).contains("N 1000.000");
        // Withdrawn: nothing that rests on it has a place any more, and nothing fails.
        page.locator(".correct-control summary").click();
        page.locator("#given-mark").selectOption("A");
        page.locator("#given-reason").fill("it was another pillar");
        page.getByText("Withdraw its coordinates").click();
        assertThat(page.locator("#fault-moves")).containsText("to no position");
        page.locator("#moves").check();
        page.getByText("Withdraw its coordinates").click();
        assertThat(page.locator(".said")).containsText("A is withdrawn");
        Mark after = job(house, job).mark("A").orElseThrow();
        Assertions.assertThat(after.given()).isEmpty();
        for (String at : new String[] {"/review/S1", "/point", "/plan", "/turning/S1", "/deliver", "/detail/S1"}) {
            page.navigate(job + at);
            assertThat(page.locator("h1")).not().hasText("Something failed");
        }
    }

    /** T1 and T2 are one mark under two names: what was measured to the second becomes a check of the first. */
    @Test
    void twoNamesOfOneMarkBecomeOne(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Two names");
        TypedDay.occupy(page, job, "T1");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.030");
        TypedDay.book(page, "90 00 00", "90 00 00", "50.030");
        page.navigate(job + "/mark");
        page.locator(".correct-control summary").click();
        page.locator("#given-mark").selectOption("T1");
        page.locator("#given-other").selectOption("T1");
        page.locator("#given-reason").fill("the same nail, noted twice");
        page.getByText("Two names, one mark").click();
        assertThat(page.locator("#fault-other, .fault:visible").first())
                .containsText("Expected the mark that T1 is another name of");
        page.locator("#given-other").selectOption("B");
        page.getByText("Two names, one mark").click();
        page.locator("#moves").check();
        page.getByText("Two names, one mark").click();
        assertThat(page.locator(".said")).containsText("T1 is another name of B");
        Job now = job(house, job);
        Assertions.assertThat(now.trueName("T1")).isEqualTo("B");
        Assertions.assertThat(
                        now.decisions().get(now.decisions().size() - 1).after().orElseThrow())
                .isEqualTo("another name of B");
    }

    @Test
    void aTapedDistanceIsHeldAgainstEverySetupThatSeesBoth(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Tape");
        TypedDay.occupy(page, job, "T1");
        page.navigate(job + "/mark");
        page.locator(".references summary").click();
        page.locator("#reference-from").fill("B");
        page.locator("#reference-to").fill("T1");
        page.getByText("Enter the pair").click();
        assertThat(page.locator(".references .fault"))
                .containsText("Expected a distance, a height difference or an azimuth");
        page.locator("#reference-distance").fill("125.000");
        page.locator("#reference-stdDev").fill("2");
        // 100 m south and 75 m east: 143°07'48", by the arc tangent.
        page.locator("#reference-azimuth").fill("143 07 48");
        page.locator("#reference-azimuthStdDev").fill("5");
        page.locator("#how").fill("steel tape");
        page.getByText("Enter the pair").click();
        assertThat(page.locator(".references tbody")).containsText("steel tape");
        // 100 m north and 75 m east of the station: 125 m apart, by Pythagoras.
        page.navigate(job + "/turning/S1");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.000");
        TypedDay.book(page, "90 00 00", "90 00 00", "75.000");
        assertThat(page.locator(".comparisons"))
                .containsText("Distance B to T1: steel tape 125.000 m, instrument 125.000 m");
        page.navigate(job + "/mark");
        assertThat(page.locator(".references")).containsText("S1: Distance B to T1");
        assertThat(page.locator(".references tbody")).containsText("143°07'48");
        page.navigate(job + "/network");
        assertThat(page.locator("main")).containsText("azimuth");
    }
}
