package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static markturn.web.turning.TypedDay.book;
import static markturn.web.turning.TypedDay.occupy;
import static markturn.web.turning.TypedDay.openJob;
import static markturn.web.turning.TypedDay.turnTwoSetsToB;

import com.microsoft.playwright.Page;
import markturn.formats.JobFile;
import markturn.survey.job.Decision;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Sights that no order asked for, and a target that the order asks for no longer. Common practice, no source. */
@ExtendWith(House.class)
class OutOfTheOrderTest {
    @Test
    void aSightAsksWhatStandsThereAndComparesAllThatWasMeasured(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Asked");
        occupy(page, job, "");
        turnTwoSetsToB(page);
        page.navigate(page.url() + "?role=check&face=left&target=B");
        assertThat(page.locator("#asked")).containsText("Sight B, face left: what stands there now?");
        assertThat(page.locator("#live")).hasCount(0);
        assertThat(page.locator("#as-last")).hasText("As last: Prism 1.500");
        page.locator("#asked-reflector").selectOption("Prism");
        page.locator("#asked-height").fill("1.600");
        page.getByText("Sight it so").click();
        assertThat(page.locator("#sentence")).containsText("Sight B. Prism 1.600.");
        // 4 mm longer, and with the pole 100 mm higher at the same zenith B comes out 100 mm lower.
        book(page, "90 00 03", "89 42 49", "100.005");
        assertThat(page.locator("tr.ink").last()).containsText("distance +4.0, elevation -100.0 mm against the sets");
    }

    @Test
    void aTargetLeavesTheRoundWithAReason(House house) throws Exception {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Left out");
        occupy(page, job, "T1");
        assertThat(page.locator("body")).containsText("8 pointings left");
        page.locator(".something-else summary").press("Enter");
        page.locator("#order-out").selectOption("T1");
        page.getByText("Take it out of the round").click();
        assertThat(page.locator("#message")).containsText("with a reason");
        page.locator("#order-out").selectOption("B");
        page.locator("#order-why").fill("hidden");
        page.getByText("Take it out of the round").click();
        assertThat(page.locator("#message")).containsText("B is the zero of every set");
        page.locator("#order-out").selectOption("T1");
        page.locator("#order-why").fill("a hedge stands there");
        page.getByText("Take it out of the round").click();
        assertThat(page.locator("body")).containsText("4 pointings left");
        Assertions.assertThat(JobFile.read(
                                page.request().get(job + "/deliver/job-file").body())
                        .decisions())
                .singleElement()
                .satisfies(d -> {
                    Assertions.assertThat(d.what()).isEqualTo(Decision.LEAVE_TARGET);
                    Assertions.assertThat(d.concerning("target")).isEqualTo("T1");
                    Assertions.assertThat(d.reason()).isEqualTo("a hedge stands there");
                });
    }

    /** A face-left zenith beyond 180° makes a distance point backwards: nothing is compared, and no other mark is accused. */
    @Test
    void aZenithOfTheOtherFaceComparesNothing(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Wrong face");
        occupy(page, job, "");
        book(page, "0 00 00", "270 17 11", "100.001");
        assertThat(page.locator(".comparisons")).containsText("belongs to the other face");
        assertThat(page.locator("main")).not().containsText("shorter");
        book(page, "180 00 00", "270 17 11", "100.001");
        assertThat(page.locator(".setup-findings")).containsText("belongs to face RIGHT");
        assertThat(page.locator("main")).not().containsText("fits A");
    }

    @Test
    void aNoteIsCorrectedWhereItStands(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Correct it");
        occupy(page, job, "");
        book(page, "0 00 00", "89 42 49", "100.001");
        book(page, "180 00 00", "270 17 11", "100.001");
        page.locator("tr.ink").first().getByText("correct").click();
        assertThat(page.locator("#ticked")).hasText("1 line ticked");
        assertThat(page.locator("[name=line]:checked")).hasCount(1);
        page.locator("#height").fill("1.700");
        page.locator("#reason").fill("read from the pole");
        page.getByText("Show what moves").click();
        page.getByText("Book the correction").click();
        assertThat(page.locator(".said")).containsText("Corrected");
        assertThat(page.locator("tr.ink").first()).containsText("noted anew");
    }
}
