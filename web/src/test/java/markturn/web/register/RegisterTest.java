package markturn.web.register;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.OptionalDouble;
import javax.imageio.ImageIO;
import markturn.fieldbook.MarkNoted;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Pictures;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Marks of an office: entered from a job, taken by another, found to disagree, and never overwritten. */
@ExtendWith(House.class)
class RegisterTest {
    private static void press(Page page, String words) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words))
                .click();
    }

    private static void enter(Page page, String job, String datum, String... marks) {
        page.navigate(job + "/register");
        for (String mark : marks) {
            page.locator("input[name=mark][value='" + mark + "']").check();
        }
        page.locator("#enter-datum").fill(datum);
        page.locator("#enter-reason").fill("found and measured");
        press(page, "Enter them");
    }

    private static void open(Page page, String datum, String mark) {
        page.navigate("/office/mark?words=" + datum);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(mark).setExact(true))
                .click();
    }

    /** A JPEG with a block such as cameras write their place into. */
    private static byte[] photo() throws Exception {
        ByteArrayOutputStream drawn = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(2400, 1200, BufferedImage.TYPE_INT_RGB), "jpg", drawn);
        byte[] jpeg = drawn.toByteArray();
        byte[] block = "Exif\0\0PLACE-OF-THE-CAMERA".getBytes(StandardCharsets.ISO_8859_1);
        ByteArrayOutputStream with = new ByteArrayOutputStream();
        with.write(jpeg, 0, 2);
        with.write(new byte[] {(byte) 0xFF, (byte) 0xE1, 0, (byte) (block.length + 2)});
        with.write(block);
        with.write(jpeg, 2, jpeg.length - 2);
        return with.toByteArray();
    }

    @Test
    void aMarkIsRegisteredUsedAndFoundDisagreeing(House house) throws Exception {
        Page page = house.signedIn("sol");
        String first = TypedDay.openJob(page, "Registers A and B");
        page.navigate(first + "/register");
        press(page, "Enter them");
        assertThat(page.locator(".message")).containsText("Expected one mark or more, the datum");
        // The value of a mark that changes while the page is open is not the one that was looked at.
        page.locator("input[name=mark][value=A]").check();
        page.locator("#enter-datum").fill("mill grid");
        page.locator("#enter-reason").fill("found and measured");
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = first.substring(first.lastIndexOf('/') + 1);
        Mark before = fieldBook.book(id, "sol").job().mark("A").orElseThrow();
        Mark other = Mark.control("A", 1000.5, 5000, OptionalDouble.of(10), "another list");
        fieldBook.add(id, "noted-elsewhere", "sol", new MarkNoted(other, "another list"));
        press(page, "Enter them");
        assertThat(page.locator(".message")).containsText("changed while this page was open. Nothing was entered");
        assertThat(page.locator("input[name=mark][value=A]")).isChecked();
        fieldBook.add(id, "noted-back", "sol", new MarkNoted(before, "the list was of another mark"));
        enter(page, first, "mill grid", "A", "B");
        assertThat(page.locator(".said")).containsText("2 new marks in the register; 0 checks");
        // The same value of the same job is no check of itself.
        enter(page, first, "mill grid", "A", "B");
        assertThat(page.locator(".said"))
                .containsText("0 checks of what is in force, which stays; 2 values were entered from this job before");
        // A fresh job is proposed both, and one that has the names already none.
        page.navigate(TypedDay.openJob(page, "Has A and B") + "/register?datum=mill grid");
        assertThat(page.locator("main")).containsText("No registered mark of this datum lies near");
        page.navigate("/job/new");
        page.locator("#name").fill("Fresh at the mill");
        press(page, "Open the job");
        page.waitForURL("**/equipment*");
        String fresh = page.url().replaceAll("/equipment.*", "");
        page.navigate(fresh + "/register?datum=mill grid");
        page.locator("tr:has-text('Take') input[name=version]")
                .first()
                .evaluate("field => field.value = field.value - 1");
        press(page, "Take A");
        assertThat(page.locator(".message"))
                .containsText("Another value of A came into force while this page was open");
        page.navigate(fresh + "/register?datum=mill grid");
        press(page, "Take A");
        page.navigate(fresh + "/register?datum=mill grid");
        press(page, "Take B");
        assertThat(page.locator("main")).containsText("Taken from the register");
        page.navigate(fresh + "/mark");
        assertThat(page.locator("main")).containsText("office register, value");
        // A second value is a check; let in by decision it takes the place, and whoever took the first is told.
        page.navigate(first + "/mark");
        page.locator(".correct-control summary").click();
        page.locator("#given-mark").selectOption("B");
        page.locator("#given-northing").fill("1100.012");
        page.locator("#given-easting").fill("5000");
        page.locator("#given-elevation").fill("10.5");
        page.locator("#given-reason").fill("adjusted anew by the county");
        page.getByText("Correct it").click();
        assertThat(page.locator("#fault-moves")).containsText("moves");
        page.locator("#moves").check();
        page.getByText("Correct it").click();
        assertThat(page.locator(".said")).containsText("B is corrected");
        enter(page, first, "mill grid", "B");
        assertThat(page.locator(".said")).containsText("0 new marks in the register; 1 check");
        open(page, "mill", "B");
        assertThat(page.locator(".verdict")).containsText("N 1100.000");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("1100.012")))
                .containsText("check");
        // A page that showed another value in force changes nothing.
        page.locator("input[name=instead]").evaluate("field => { field.value = 0; }");
        page.locator("input[name=reason]").fill("the county's list of this year");
        page.getByText("Let it take the place").click();
        assertThat(page.locator("main")).containsText("Another value came into force while this page was open");
        assertThat(page.locator(".verdict")).containsText("N 1100.000");
        page.locator("input[name=reason]").fill("the county's list of this year");
        page.getByText("Let it take the place").click();
        assertThat(page.locator(".verdict")).containsText("N 1100.012");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("was in force")))
                .containsText("N 1100.000");
        page.navigate(fresh);
        assertThat(page.locator("main .message")).containsText("The register has a newer value of B");
        page.navigate(fresh + "/register");
        assertThat(page.locator("main")).containsText("a newer value is in force: N 1100.012");
    }

    @Test
    void whatHelpsToFindAMarkIsKeptWithoutWhereTheCameraStood(House house) throws Exception {
        Page page = house.signedIn("sol");
        enter(page, TypedDay.openJob(page, "Witness marks"), "witness grid", "A");
        open(page, "witness", "A");
        page.locator("#words").fill("nail in the kerb, north-east");
        page.locator("#distance").fill("4.218");
        page.locator("#picture").setInputFiles(new FilePayload("nail.jpg", "image/jpeg", photo()));
        press(page, "Note it");
        assertThat(page.locator("main")).containsText("4.218 m nail in the kerb");
        APIResponse picture = page.request().get(page.locator("img.witness").getAttribute("src"));
        Assertions.assertThat(picture.status()).isEqualTo(200);
        String bytes = new String(picture.body(), StandardCharsets.ISO_8859_1);
        Assertions.assertThat(bytes).doesNotContain("PLACE-OF-THE-CAMERA");
        BufferedImage seen = ImageIO.read(new java.io.ByteArrayInputStream(picture.body()));
        Assertions.assertThat(seen.getWidth()).isEqualTo(1600);
        Assertions.assertThat(picture.body()).hasSizeLessThan(Pictures.MOST_BYTES);
        page.locator("#words").fill("no picture");
        page.locator("#picture")
                .setInputFiles(new FilePayload("no.jpg", "image/jpeg", Arrays.copyOf(new byte[] {1, 2}, 40)));
        press(page, "Note it");
        assertThat(page.locator(".message")).containsText("cannot be read: expected JPEG or PNG");
    }

    @Test
    void aMarkThatDisagreedSaysSoBeforeItIsUsedAgain(House house) {
        Page page = house.signedIn("sol");
        String first = TypedDay.openJob(page, "Enters for the next");
        enter(page, first, "weir grid", "A", "B");
        // Taken, occupied and sighted: the backsight is 50 mm too long.
        String second = TypedDay.openEquipped(page, "Finds B disagreeing");
        for (String mark : new String[] {"A", "B"}) {
            page.navigate(second + "/register?datum=weir grid");
            press(page, "Take " + mark);
        }
        TypedDay.occupy(page, second, "T1");
        TypedDay.book(page, "0 00 00", "90 00 00", "100.080");
        page.navigate("/job");
        open(page, "weir", "B");
        assertThat(page.locator("main")).containsText("Finds B disagreeing");
        page.navigate("/job/new");
        page.locator("#name").fill("Third at the weir");
        press(page, "Open the job");
        page.waitForURL("**/equipment*");
        page.navigate(page.url().replaceAll("/equipment.*", "") + "/register?datum=weir grid");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("disagreed in the last job")))
                .containsText("B");
    }
}
