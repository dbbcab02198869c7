package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.UUID;
import javax.sql.DataSource;
import markturn.formats.JobFile;
import markturn.simulator.AlderWeir;
import markturn.web.House;
import markturn.web.people.People;
import markturn.web.people.Person;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.authentication.event.AuthenticationFailureBadCredentialsEvent;

/** What an attacker tried, each case as it was tried. Sources: OWASP ASVS 4.0, sections as named; the attack of this house. */
@ExtendWith(House.class)
class HostileTest {
    private static void signIn(Page page, String name, String password) {
        page.navigate("/sign-in");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill(password);
        page.keyboard().press("Enter");
        page.waitForLoadState();
    }

    /**
     * ASVS 2.2.1: guessing is slowed; the right password in the middle of it is not let in either. Three more wrong tries that were under way
     * with the fifth make the wait eight seconds: nobody types for so long, on a slow machine either.
     */
    @Test
    void guessingAPasswordIsSlowed(House house) {
        house.application()
                .getBean(People.class)
                .open("ash", "Ash Reed", "right-password", new Person.Roles(true, false, false));
        Page page = house.visitor();
        for (int i = 0; i < 5; i++) {
            signIn(page, "ash", "wrong-" + i);
            assertThat(page.locator(".fault")).containsText("do not belong together");
        }
        for (int i = 0; i < 3; i++) {
            house.application()
                    .publishEvent(new AuthenticationFailureBadCredentialsEvent(
                            UsernamePasswordAuthenticationToken.unauthenticated("ash", "wrong"),
                            new BadCredentialsException("wrong")));
        }
        signIn(page, "ash", "right-password");
        assertThat(page.locator(".fault")).containsText("Too many wrong tries");
        page.waitForTimeout(8500);
        signIn(page, "ash", "right-password");
        page.waitForURL("**/job");
    }

    /** ASVS 13.1, 14.5.3: a name that is not this house's is not served. */
    @Test
    void aStrangeHostIsNotServed(House house) throws Exception {
        URI address = URI.create(house.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            OutputStream out = socket.getOutputStream();
            out.write("GET /sign-in HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n"
                    .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 421").doesNotContain("Sign in");
        }
    }

    /** ASVS 5.1.4: control characters are no text, and what was stored breaks neither page nor report. */
    @Test
    void controlCharactersDoNotReachTheReport(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Text");
        TypedDay.occupy(page, job, "");
        APIResponse booked = reading(page, job, UUID.randomUUID().toString(), "GATE\u0007\u0000 9", "10 00 00");
        assertThat(booked.status()).isEqualTo(200);
        House.made(page, job + "/deliver/report.pdf");
        House.made(page, job + "/deliver/everything");
        assertThat(page.request().get(job + "/deliver/landxml").status()).isEqualTo(200);
        page.navigate(job + "/point");
        assertThat(page.locator("main")).containsText("GATE\uFFFD\uFFFD 9");
    }

    private static APIResponse reading(Page page, String job, String key, String target, String circle) {
        return page.request()
                .post(
                        job + "/turning/S1/reading",
                        RequestOptions.create()
                                .setHeader(
                                        page.locator("meta[name=csrf-header]").getAttribute("content"),
                                        page.locator("meta[name=csrf]").getAttribute("content"))
                                .setForm(FormData.create()
                                        .set("key", key)
                                        .set("target", target)
                                        .set("role", "DETAIL")
                                        .set("face", "LEFT")
                                        .set("circle", circle)
                                        .set("zenith", "90 00 00")
                                        .set("slope", "20")
                                        .set("reflector", "none")));
    }

    /** The same key with the same content is one line; with other content nothing is called stored that is not. */
    @Test
    void aKeyStandsForOneContent(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Key");
        TypedDay.occupy(page, job, "");
        String key = UUID.randomUUID().toString();
        assertThat(reading(page, job, key, "GATE 1", "10 00 00").status()).isEqualTo(200);
        assertThat(reading(page, job, key, "GATE 1", "10 00 00").status()).isEqualTo(200);
        APIResponse other = reading(page, job, key, "GATE 1", "11 00 00");
        assertThat(other.status()).isEqualTo(409);
        assertThat(other.text()).contains("Nothing of this was stored");
        page.reload();
        assertThat(page.locator("tr.ink")).hasCount(1);
        // A key nobody's page makes is refused before anything is stored.
        assertThat(reading(page, job, "k".repeat(200), "GATE 1", "10 00 00").status())
                .isEqualTo(422);
    }

    /** What a file says was decided elsewhere is stated: no acceptance, no answer, no adopted coordinate. */
    @Test
    void aFileSignsNothingOff(House house) throws Exception {
        Page page = house.signedIn("wren");
        page.navigate("/job");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload("job.json", "application/json", JobFile.write(AlderWeir.job())));
        page.getByText("Bring it in").click();
        page.waitForURL("**/job/*-*");
        String job = page.url().replaceAll("^https?://[^/]+", "");
        page.navigate(job + "/deliver");
        assertThat(page.locator("main")).containsText("stated in the file by Ida Marsh, brought in by Wren Halloran");
        page.navigate(job + "/review/S1");
        assertThat(page.locator(".accepted")).hasCount(0);
        assertThat(page.locator(".finding.stop").first()).not().containsText("Accepted by");
    }

    /** A page from before accepts nothing of what was booked after it, and what is changed later opens the acceptance. */
    @Test
    void anAcceptanceIsOfWhatWasOnThePage(House house) {
        Page page = house.signedIn("sol");
        String job = TypedDay.openJob(page, "Accepted");
        TypedDay.occupy(page, job, "T1");
        TypedDay.book(page, "0 00 00", "89 42 49", "100.001");
        TypedDay.book(page, "60 00 00", "90 00 00", "50.000");
        TypedDay.book(page, "240 00 00", "270 00 00", "50.000");
        TypedDay.book(page, "180 00 00", "270 17 11", "100.001");
        Page before = page.context().newPage();
        before.navigate(job + "/review/S1");
        TypedDay.book(page, "90 00 00", "89 42 49", "100.001");
        accept(before);
        assertThat(before.locator(".message")).containsText("since this page was drawn, heights and readings changed");
        assertThat(before.locator(".accepted")).hasCount(0);
        accept(before);
        assertThat(before.locator(".accepted")).containsText("Accepted by Sol Tarn");
        // A height noted anew moves a mark by 0.4 m: the acceptance was of something else.
        before.navigate(job + "/review/correct?what=instrumentHeight&setup=S1");
        before.locator("#height").fill("1.900");
        before.locator("#reason").fill("misread");
        before.getByText("Show what moves").click();
        before.getByText("Book the correction").click();
        before.navigate(job + "/review/S1");
        assertThat(before.locator(".accepted")).hasCount(0);
        assertThat(before.locator(".lapsed")).containsText("Since then heights changed: it is open again");
    }

    private static void accept(Page page) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        page.waitForLoadState();
    }

    /** The account of the pages adds entries; it can neither change nor delete one. ASVS 1.2.1, 14.1: least privilege. */
    @Test
    void theDatabaseRefusesToChangeAnEntry(House house) throws SQLException {
        DataSource source = house.application().getBean(DataSource.class);
        try (Connection connection = source.getConnection()) {
            for (String act : new String[] {
                "update entry set payload = '{}'", "delete from entry", "drop table entry", "delete from job",
            }) {
                Assertions.assertThatThrownBy(() -> connection.createStatement().executeUpdate(act))
                        .as(act)
                        .isInstanceOf(SQLException.class)
                        .hasMessageContaining("denied");
            }
        }
    }
}
