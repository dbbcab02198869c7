package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import jakarta.persistence.EntityManagerFactory;
import java.net.URI;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import javax.sql.DataSource;
import markturn.web.pocket.Line;
import org.flywaydb.core.api.FlywayException;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.core.env.MapPropertySource;
import org.springframework.core.env.StandardEnvironment;

/** What the start leaves out, and that nothing is missing for it. Common practice, no source. */
@ExtendWith(House.class)
class StartTest {
    @Test
    void noClassesAreMadeForEntities(House house) {
        SessionFactoryImplementor sessions =
                house.application().getBean(EntityManagerFactory.class).unwrap(SessionFactoryImplementor.class);
        assertThat(sessions.getServiceRegistry().requireService(BytecodeProvider.class))
                .isInstanceOf(BytecodeProviderImpl.class);
    }

    /** Nobody listens on port 1: whether the database was asked shows. */
    @Test
    void theTablesOfAFolderThatThisBuildHasServedAreNotLookedUp() {
        new Migrations(settings(true));
        assertThatThrownBy(() -> new Migrations(settings(false))).isInstanceOf(FlywayException.class);
    }

    /** Where the tables are not looked at, the start alone says what the pages may change: the same as the migrations. */
    @Test
    void aStartGivesThePagesWhatTheMigrationsGaveThem(House house) throws Exception {
        DataSource database = house.application().getBean(DataSource.class);
        Set<String> given = rights(database);
        assertThat(given).anyMatch(right -> right.contains("job_summary"));
        new TestDatabase(House.DATA.toAbsolutePath().normalize()).startAgain();
        assertThat(rights(database)).isEqualTo(given);
    }

    /** A database that comes up behind the pages: nobody has to start them again for that. */
    @Test
    void thePageOfTheSignInWaitsForNoDatabase(House house) throws Exception {
        String url = House.setting("spring.datasource.url");
        int port = URI.create(url.substring("jdbc:".length())).getPort();
        try (Line line = new Line("http://127.0.0.1:" + port)) {
            line.cut();
            Map<String, Object> settings = Map.of(
                    "spring.datasource.url",
                    url.replace("127.0.0.1:" + port, line.address().substring("http://".length())),
                    "markturn.served",
                    "true");
            try (var application = House.started(settings)) {
                String pages = pagesOf(application);
                APIRequestContext visitor = house.visitor().request();
                APIResponse refused = House.signIn(visitor, pages, "wren");
                assertThat(refused.status()).isEqualTo(503);
                assertThat(refused.text()).contains("The database does not answer just now");
                line.mend();
                APIResponse admitted = House.signIn(visitor, pages, "wren");
                assertThat(admitted.headers().get("location")).endsWith("/job");
                assertThat(visitor.get(pages + "/job").text()).contains("Alder Weir");
            }
        }
    }

    private static String pagesOf(ServletWebServerApplicationContext application) {
        return "http://127.0.0.1:" + application.getWebServer().getPort();
    }

    private static Set<String> rights(DataSource database) throws SQLException {
        Set<String> rights = new TreeSet<>();
        try (Connection pages = database.getConnection();
                Statement asking = pages.createStatement();
                ResultSet row = asking.executeQuery("show grants")) {
            while (row.next()) {
                rights.add(row.getString(1));
            }
        }
        return rights;
    }

    private static StandardEnvironment settings(boolean done) {
        Map<String, Object> given = new HashMap<>(Map.of(
                "spring.datasource.url", "jdbc:mariadb://127.0.0.1:1/markturn",
                "spring.datasource.username", "markturn",
                "spring.datasource.password", "none",
                "markturn.migration.pages", "nobody"));
        if (done) {
            given.put("markturn.served", "true");
        }
        StandardEnvironment settings = new StandardEnvironment();
        settings.getPropertySources().addFirst(new MapPropertySource("given", given));
        return settings;
    }
}
