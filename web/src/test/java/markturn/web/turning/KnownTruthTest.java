package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.web.House;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * From an empty job, with readings of known truth typed on the pages: three backsights of which one was knocked sideways, and a spire that
 * only directions reach. What the screens claim is held against the truth. Source: plane trigonometry.
 */
@ExtendWith(House.class)
class KnownTruthTest {
    private static final Pattern SENTENCE = Pattern.compile("Face (LEFT|RIGHT)\\. Sight ([A-Z]+)");

    /** Where everything truly stands; B's list says 1100, 5000. */
    private static final Map<String, double[]> TRUTH = Map.of(
            "A", new double[] {1000, 5000, 10},
            "B", new double[] {1100, 5000.04, 10.5},
            "C", new double[] {1000, 5200, 11},
            "D", new double[] {900, 4900, 9},
            "SPIRE", new double[] {1060, 5090, 28});

    private static double azimuth(String from, String to) {
        double[] a = TRUTH.get(from);
        double[] b = TRUTH.get(to);
        return Math.atan2(b[1] - a[1], b[0] - a[0]);
    }

    /** Types what the instrument would show, without noise, both ends 1.5 m above their marks. */
    private static void sight(Page page, String from, String to, boolean left, double height, boolean distance) {
        double[] a = TRUTH.get(from);
        double[] b = TRUTH.get(to);
        double level = Math.hypot(b[0] - a[0], b[1] - a[1]);
        double bend = 0.87 * level * level / (2 * 6371000);
        double up = b[2] + height - a[2] - 1.5 - bend;
        double zenith = Math.atan2(level, up);
        double circle = azimuth(from, to) + 1 + (left ? 0 : Math.PI);
        TypedDay.book(
                page,
                AngleUnit.DMS.write(Angles.onCircle(circle), 1),
                AngleUnit.DMS.write(left ? zenith : 2 * Math.PI - zenith, 1),
                distance ? "%.4f".formatted(Math.hypot(level, up)) : "");
    }

    /** Turns what the page asks for until all sets are turned. */
    private static void turn(Page page, String from) {
        for (int pointing = 0; pointing < 40; pointing++) {
            if (page.locator(".through").count() > 0) {
                return;
            }
            Matcher asked = SENTENCE.matcher(page.locator("#sentence").textContent());
            Assertions.assertThat(asked.find()).isTrue();
            sight(page, from, asked.group(2), asked.group(1).equals("LEFT"), 1.5, true);
        }
        throw new AssertionError("the sets do not end");
    }

    private static void occupy(Page page, String job, String station, String... backsights) {
        page.navigate(job + "/setup");
        page.locator("#station").selectOption(station);
        page.locator("#height").fill("1.500");
        for (int i = 0; i < backsights.length; i++) {
            page.locator("[name='back-" + i + "']").fill(backsights[i]);
            page.locator("[name='back-" + i + "-reflector']").selectOption("Prism");
            page.locator("[name='back-" + i + "-height']").fill("1.500");
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        assertThat(page.locator("#sentence")).containsText("Face LEFT");
    }

    /** Books the spire by direction and zenith angle alone. */
    private static void spire(Page page, String job, String setup, String from) {
        page.navigate(job + "/detail/" + setup);
        page.locator("[data-choose-reflector=none]").click();
        assertThat(page.locator("[data-choose-reflector=none]")).hasAttribute("aria-pressed", "true");
        if (page.locator("[data-waiting]").count() > 0) {
            page.locator("[data-waiting]").click();
        } else {
            page.locator("#name").fill("SPIRE");
            page.locator("#circle").focus();
        }
        sight(page, from, "SPIRE", true, 0, false);
    }

    @Test
    void theKnockedMarkIsNamedAndTheSpireStandsWhereItStands(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Known truth");
        page.navigate(job + "/mark");
        TypedDay.type(page, "name-0", "C", "northing-0", "1000", "easting-0", "5200", "elevation-0", "11");
        TypedDay.type(page, "name-1", "D", "northing-1", "900", "easting-1", "4900", "elevation-1", "9");
        page.getByText("Enter these marks").click();
        occupy(page, job, "A", "B", "C", "D");
        turn(page, "A");
        page.navigate(job + "/review/S1");
        assertThat(page.locator("#verdict"))
                .containsText(Pattern.compile("B does not fit: seen from here it lies (39|40|41) mm east"));
        page.locator("[data-off='B:direction']").uncheck();
        page.locator("[data-off='B:distance']").uncheck();
        assertThat(page.locator("#verdict")).containsText("2 marks, largest residual");
        page.locator("#reason").fill("the peg was hit");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Book it"))
                .click();
        assertThat(page.locator("[data-off='B:direction']")).not().isChecked();
        spire(page, job, "S1", "A");
        assertThat(page.locator("main")).containsText("direction only: needs one more sight");
        page.navigate(job + "/review");
        assertThat(page.locator("main")).containsText("SPIRE needs one more sight");

        occupy(page, job, "C", "A");
        turn(page, "C");
        spire(page, job, "S2", "C");
        assertThat(page.locator("main")).containsText("intersected");
        page.navigate(job + "/point");
        var numbers = page.locator("tr[data-mark=SPIRE] td.n");
        double[] truth = TRUTH.get("SPIRE");
        for (int i = 0; i < 3; i++) {
            Assertions.assertThat(Double.parseDouble(numbers.nth(i).innerText()))
                    .isCloseTo(truth[i], Assertions.within(0.0025));
        }
    }
}
