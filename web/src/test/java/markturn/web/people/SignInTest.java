package markturn.web.people;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.SameSiteAttribute;
import java.util.Set;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.env.StandardEnvironment;

@ExtendWith(House.class)
class SignInTest {
    @Test
    void everyPageIsBehindTheSignIn(House house) {
        Page page = house.visitor();
        for (String path : new String[] {"/", "/job", "/job/new", house.demo(house.signedIn("wren")) + "/point"}) {
            page.navigate(path);
            assertThat(page).hasURL(house.address() + "/sign-in");
        }
        page.getByLabel("Name").fill("wren");
        page.getByLabel("Password").fill("wrong");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.ALERT))
                .containsText("do not belong together");
    }

    @Test
    void cookiesAndPolicyKeepScriptsOut(House house) {
        Page page = house.signedIn("wren");
        APIResponse answer = page.request().get("/job");
        // Source: OWASP secure headers, content security policy without inline script or style; RFC 6265bis SameSite.
        assertThat(answer.headers().get("content-security-policy"))
                .contains("default-src 'none'")
                .contains("script-src 'self'")
                .contains("style-src 'self'")
                .doesNotContain("unsafe");
        Cookie session = page.context().cookies().stream()
                .filter(c -> c.name.equals("JSESSIONID"))
                .findFirst()
                .orElseThrow();
        assertThat(session.httpOnly).isTrue();
        assertThat(session.sameSite).isEqualTo(SameSiteAttribute.LAX);
        assertThat(page.content()).doesNotContain("style=\"").doesNotContain("onclick=");
    }

    @Test
    void whatIsNoPageDrawsNothing(House house) {
        Page page = house.signedIn("wren");
        APIResponse answer = page.request().get(house.demo(page) + "/plan/view");
        assertThat(answer.headers()).containsEntry("content-type", "application/json");
        // Source: OWASP REST security, headers of answers that are data.
        assertThat(answer.headers().get("content-security-policy"))
                .isEqualTo("default-src 'none'; frame-ancestors 'none'");
        assertThat(answer.headers()).containsEntry("x-content-type-options", "nosniff");
    }

    @Test
    void aPostingWithoutItsTokenIsRefused(House house) {
        Page page = house.signedIn("wren");
        APIResponse answer = page.request()
                .post(
                        "/job/new",
                        RequestOptions.create().setForm(FormData.create().set("name", "x")));
        assertThat(answer.status()).isEqualTo(403);
    }

    @Test
    void aJobIsThereForItsMembersAndForNobodyElse(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        Job job = Job.opened(
                "Private",
                "",
                new Units(LengthUnit.METRE, AngleUnit.DMS),
                ClassOfWork.of(ClassOfWork.Preset.DETAIL),
                false,
                Earth.USUAL);
        String id = fieldBook.open(job, "wren", Set.of("wren"));
        APIRequestContext others = house.signedIn("ida").request();
        for (String path :
                new String[] {"", "/point", "/plan", "/mark", "/setup", "/review", "/deliver", "/deliver/job-file"}) {
            assertThat(others.get("/job/" + id + path).status()).as(path).isEqualTo(404);
        }
        assertThat(others.get("/job/" + java.util.UUID.randomUUID()).status()).isEqualTo(404);
        assertThat(others.get("/job").text()).doesNotContain("Private");
        assertThat(house.signedIn("wren").request().get("/job/" + id).status()).isEqualTo(200);
    }

    @Test
    void bookingIsTheSurveyorsReviewingIsOpen(House house) {
        Page ida = house.signedIn("ida");
        String demo = house.demo(ida);
        ida.navigate(demo + "/mark");
        assertThat(ida.locator("h1")).hasText("Control marks");
        assertThat(ida.locator("input[name=name-0]")).hasCount(0);
        assertThat(House.posted(ida, demo + "/mark")).isEqualTo(403);
        ida.navigate(demo + "/review/correct");
        assertThat(ida.locator("h1")).hasText("Not for this account");
        ida.navigate(demo + "/review");
        assertThat(ida.locator("h1")).hasText("Review");
    }

    @Test
    void passwordsAreHashed(House house) {
        String hash = house.application()
                .getBean(PersonRepository.class)
                .findById("wren")
                .orElseThrow()
                .passwordHash();
        // Source: the bcrypt format, $2a$ and 60 characters.
        assertThat(hash).startsWith("$2a$").hasSize(60);
    }

    /** What tests turn down is not turned down for people. Ten rounds or more: from memory, the usual advice on keeping passwords. */
    @Test
    void tryingAPasswordCostsAsMuchAsIsAdvised() throws Exception {
        String strength = Class.forName("markturn.web.frame.Security")
                .getDeclaredMethod("passwordEncoder", int.class)
                .getParameters()[0]
                .getAnnotation(Value.class)
                .value();
        assertThat(Integer.parseInt(new StandardEnvironment().resolvePlaceholders(strength)))
                .isGreaterThanOrEqualTo(10);
    }
}
