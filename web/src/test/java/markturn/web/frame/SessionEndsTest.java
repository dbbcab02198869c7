package markturn.web.frame;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.time.Duration;
import java.util.Arrays;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import markturn.web.House;
import org.apache.catalina.Context;
import org.apache.catalina.session.StandardSession;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.tomcat.TomcatWebServer;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;

/** Source: OWASP ASVS 4.0, 3.3.2 (twelve hours at level 2), and 3.3 with 4.1: a right that is taken is gone from sessions too. */
@ExtendWith(House.class)
class SessionEndsTest {
    private static final Pattern SIGN_IN = Pattern.compile(".*/sign-in.*");

    @Test
    void aSessionEndsTwelveHoursAfterItBegan(House house) {
        Page page = house.signedIn("wren");
        String cookie = page.context().cookies().stream()
                .filter(c -> c.name.contains("SESSION"))
                .findFirst()
                .orElseThrow()
                .value;
        StandardSession session = session(house, cookie);
        session.setCreationTime(System.currentTimeMillis()
                - Duration.ofHours(12).minusMinutes(1).toMillis());
        page.navigate("/job");
        assertThat(page).hasURL(Pattern.compile(".*/job$"));
        age(session, Duration.ofHours(12).plusMinutes(1));
        page.navigate("/job");
        assertThat(page).hasURL(SIGN_IN);
        // Who signs in again is led to the page that was asked for, under its own address.
        page.getByLabel("Name").fill("wren");
        page.getByLabel("Password").fill("alder-weir");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/job$"));
    }

    /** Begun so long ago, and used this moment: that it was idle must not end it. */
    private static void age(StandardSession session, Duration old) {
        session.setCreationTime(System.currentTimeMillis() - old.toMillis());
        session.access();
        session.endAccess();
    }

    private static StandardSession session(House house, String id) {
        TomcatWebServer server =
                (TomcatWebServer) ((ServletWebServerApplicationContext) house.application()).getWebServer();
        return Arrays.stream(server.getTomcat().getHost().findChildren())
                .flatMap(context ->
                        Arrays.stream(((Context) context).getManager().findSessions()))
                .filter(s -> s.getId().equals(id))
                .map(StandardSession.class::cast)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRoleThatIsTakenEndsTheSession(House house) throws Exception {
        Page page = house.signedIn("rue");
        page.navigate("/job");
        assertThat(page).hasURL(Pattern.compile(".*/job$"));
        reviewer(house, true);
        try {
            long end = System.nanoTime() + Duration.ofSeconds(40).toNanos();
            while (!page.url().contains("/sign-in") && System.nanoTime() < end) {
                page.waitForTimeout(1000);
                page.navigate("/job");
            }
            assertThat(page).hasURL(SIGN_IN);
            // Who signs in again stays signed in, also at once.
            Page again = house.signedIn("rue");
            reviewer(house, false);
            Page then = house.signedIn("rue");
            then.navigate("/job");
            assertThat(then).hasURL(Pattern.compile(".*/job$"));
            Assertions.assertThat(again.isClosed()).isFalse();
        } finally {
            reviewer(house, false);
        }
    }

    private static void reviewer(House house, boolean is) throws Exception {
        try (var connection = house.application().getBean(DataSource.class).getConnection();
                var change = connection.prepareStatement("update person set reviewer = ? where sign_in_name = 'rue'")) {
            change.setBoolean(1, is);
            Assertions.assertThat(change.executeUpdate()).isEqualTo(1);
        }
    }
}
