package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static markturn.web.turning.TypedDay.occupy;
import static markturn.web.turning.TypedDay.openJob;
import static markturn.web.turning.TypedDay.turnTwoSetsToB;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.Pen;
import markturn.fieldbook.ReadingBooked;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Circle;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A setup with hundreds of lines: the page shows the last ones, and a booked line is answered by as little as in a short one. */
@ExtendWith(House.class)
class LongSetupTest {
    private static final int SHOTS = 300;

    private static Circle circle(double degrees) {
        String text = AngleUnit.DMS.write(Math.toRadians(degrees), 0);
        return new Circle(AngleUnit.DMS.read(text), text);
    }

    private static EntryPayload shot(String target, double degrees, double slope, Optional<String> device) {
        return new ReadingBooked(
                "S1",
                new Reading(
                        target,
                        Reading.Role.DETAIL,
                        OptionalInt.empty(),
                        Reading.Face.LEFT,
                        circle(degrees),
                        Optional.of(circle(90)),
                        OptionalDouble.of(slope),
                        List.of(),
                        "Prism",
                        Optional.of(new MeasuredHeight(1.5, MeasuredHeight.To.AXIS, OptionalDouble.empty())),
                        Optional.empty(),
                        Reading.Origin.TYPED,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()),
                device);
    }

    @Test
    void thePageShowsTheLastLinesAndAllOfThemWhenAsked(House house) {
        Page page = house.signedIn("wren");
        String job = openJob(page, "Long");
        occupy(page, job, "");
        turnTwoSetsToB(page);
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = job.substring(job.lastIndexOf('/') + 1);
        Optional<String> device = fieldBook.book(id, "wren").pen("S1").map(Pen::device);
        List<EntryPayload> shots = new ArrayList<>();
        for (int i = 0; i < SHOTS; i++) {
            shots.add(new MarkAdded(Mark.named("W" + i, Mark.Kind.LOCATED)));
            shots.add(shot("W" + i, 10 + i, 20 + i * 0.1, device));
        }
        fieldBook.add(id, "shots", "wren", shots);
        page.navigate(job + "/turning/S1");
        assertThat(page.locator("#on-disk")).hasText(String.format(Locale.ROOT, "%d stored", SHOTS + 4));
        int shown = page.locator("#book tr[data-line]").count();
        Assertions.assertThat(shown).isBetween(8, 60);
        assertThat(page.locator("#book")).containsText("W" + (SHOTS - 1));
        assertThat(page.locator("#whole-book"))
                .hasText(String.format(Locale.ROOT, "All lines: %d before these", SHOTS + 4 - shown));
        page.locator("#whole-book").click();
        assertThat(page.locator("#book tr[data-line]")).hasCount(SHOTS + 4);
        assertThat(page.locator("#whole-book")).hasCount(0);
        // The next line is booked from here as from anywhere, and answered by the last lines.
        page.navigate(job + "/turning/S1?role=check&face=left&target=B&reflector=Prism&height=1.500");
        page.locator("#circle").fill("0 00 00");
        page.locator("#zenith").fill("89 42 49");
        page.locator("#slope").fill("100.001");
        page.locator("#slope").press("Enter");
        assertThat(page.locator("#on-disk")).hasText(String.format(Locale.ROOT, "%d stored", SHOTS + 5));
        Assertions.assertThat(page.locator("#book tr[data-line]").count()).isLessThan(60);
        assertThat(page.locator("tr.ink").last()).containsText("B");
        // Nothing that stands above is lost to the hand: the first line can still be struck out.
        page.locator("#whole-book").click();
        assertThat(page.locator("#book tr[data-line]")).hasCount(SHOTS + 5);
        page.locator("#book tr[data-line]").first().locator(".open-strike").click();
        page.locator("[data-reason='wrong target sighted']").click();
        assertThat(page.locator("tr.struck")).hasCount(1);
    }
}
