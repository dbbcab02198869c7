package markturn.web.turning;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** What a surveyor types on a first day, for the tests that begin with it: a job, its equipment and control, a setup, pointings. */
public final class TypedDay {
    private TypedDay() {}

    /** Opens a job with one instrument, one reflector and two control marks A and B, 100 m apart due north. */
    public static String openJob(Page page, String name) {
        return openJob(page, name, "azimuth");
    }

    /** The same with directions against north written that way. */
    public static String openJob(Page page, String name, String bearings) {
        String job = openEquipped(page, name, bearings);
        page.getByText("Go on: control marks").click();
        type(
                page,
                "name-0",
                "A",
                "northing-0",
                "1000",
                "easting-0",
                "5000",
                "elevation-0",
                "10,000",
                "source-0",
                "list");
        type(page, "name-1", "B", "northing-1", "1100", "easting-1", "5000", "elevation-1", "10.5", "source-1", "list");
        page.getByText("Enter these marks").click();
        assertThat(page.locator("main")).containsText("Go on: set up");
        return job;
    }

    /** A job with an instrument and a reflector, and no mark yet. */
    public static String openEquipped(Page page, String name) {
        return openEquipped(page, name, "azimuth");
    }

    private static String openEquipped(Page page, String name, String bearings) {
        page.navigate("/job/new");
        page.locator("#bearings").selectOption(bearings);
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(name);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job"))
                .click();
        page.waitForURL("**/equipment*");
        page.locator("#name").fill("I1");
        page.locator("#directionStdDev").fill("2");
        page.locator("#zenithStdDev").fill("2");
        page.locator("#distanceStdDev").fill("2");
        page.locator("#distancePpm").fill("2");
        page.locator("#centringStdDev").fill("1");
        page.locator("#heightStdDev").fill("1");
        page.locator("#notchRadius").fill("50");
        page.locator("#notchBelow").fill("160");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add the instrument"))
                .click();
        // The page that comes has a form for a reflector too: the next hand waits for it. The office may have another
        // I1 to offer.
        assertThat(page.locator("main td").first()).hasText("I1");
        page.locator("#reflectorName").fill("Prism");
        page.locator("#constant").fill("-30");
        page.locator("#reflectorCentring").fill("1");
        page.locator("#reflectorHeight").fill("1");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add the reflector"))
                .click();
        assertThat(page.locator("main")).containsText("Prism");
        return page.url().replaceAll("/equipment.*", "").replaceAll("^https?://[^/]+", "");
    }

    public static void type(Page page, String... fieldsAndValues) {
        for (int i = 0; i < fieldsAndValues.length; i += 2) {
            page.locator("[name='" + fieldsAndValues[i] + "']").fill(fieldsAndValues[i + 1]);
        }
    }

    /** Enters one control mark, 10 m east of the line from A to B. */
    public static void enter(Page page, String job, String name, String north) {
        page.navigate(job + "/mark");
        type(page, "name-0", name, "northing-0", north, "easting-0", "5010", "elevation-0", "10", "source-0", "list");
        page.getByText("Enter these marks").click();
        assertThat(page.locator("[name='name-0']")).hasValue("");
    }

    /** Occupies A with backsight B and, where named, a target. */
    public static void occupy(Page page, String job, String target) {
        page.navigate(job + "/setup");
        page.locator("#station").selectOption("A");
        page.locator("#height").fill("1.500");
        page.locator("[name='back-0']").fill("B");
        page.locator("[name='back-0-reflector']").selectOption("Prism");
        page.locator("[name='back-0-height']").fill("1.500");
        if (!target.isEmpty()) {
            page.locator("[name='fore-0']").fill(target);
            page.locator("[name='fore-0-reflector']").selectOption("Prism");
            page.locator("[name='fore-0-height']").fill("1.500");
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        assertThat(page.locator("#sentence")).containsText("Face LEFT. Sight B. Prism 1.500.");
    }

    /** Two sets to B alone, which stands 0.5 m higher than A, 100 m away due north. */
    public static void turnTwoSetsToB(Page page) {
        book(page, "0 00 00", "89 42 49", "100.001");
        book(page, "180 00 00", "270 17 11", "100.001");
        book(page, "90 00 00", "89 42 49", "100.001");
        book(page, "270 00 00", "270 17 11", "100.001");
    }

    /** Books one pointing with the keyboard alone and waits until it stands in ink. */
    public static void book(Page page, String circle, String zenith, String slope) {
        int before = page.locator("tr.ink").count();
        assertThat(page.locator("#circle")).isFocused();
        page.keyboard().type(circle);
        page.keyboard().press("Enter");
        page.keyboard().type(zenith);
        page.keyboard().press("Enter");
        page.keyboard().type(slope);
        page.keyboard().press("Enter");
        assertThat(page.locator("tr.ink")).hasCount(before + 1);
    }

    public static void aside(Page page, String role, String target, String face, String reflector, String height) {
        page.locator(".something-else summary").press("Enter");
        page.locator("#aside-role").selectOption(role);
        page.locator("#aside-target").fill(target);
        page.locator("#aside-face").selectOption(face);
        page.locator("#aside-reflector").selectOption(reflector);
        page.locator("#aside-height").fill(height);
        page.getByText("Take this up").press("Enter");
        assertThat(page.locator("#sentence")).containsText("Sight " + target);
    }
}
