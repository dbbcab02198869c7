package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManagerFactory;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import javax.sql.DataSource;
import org.flywaydb.core.api.FlywayException;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
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
            given.put("markturn.migration.done", "true");
        }
        StandardEnvironment settings = new StandardEnvironment();
        settings.getPropertySources().addFirst(new MapPropertySource("given", given));
        return settings;
    }
}
