package markturn.web;

import java.util.Map;
import org.flywaydb.core.Flyway;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Brings the tables of the database to where this build wants them, before anything asks it ({@link MigrationsFirst}). Under an account of its own:
 * that of the pages can neither change nor delete an entry. A folder that this very build has served before says so
 * ({@code markturn.served}), and nothing is looked up: that takes a tenth of the start.
 */
@Component
final class Migrations {
    private static final String OWN = "markturn.migration.";

    Migrations(Environment settings) {
        if (!settings.getProperty("markturn.served", Boolean.class, false)) {
            migrate(settings);
        }
    }

    /** @throws org.flywaydb.core.api.FlywayException where the database does not answer, or what was done before was done otherwise */
    private static void migrate(Environment settings) {
        String user = settings.getProperty(OWN + "user", settings.getRequiredProperty("spring.datasource.username"));
        String password =
                settings.getProperty(OWN + "password", settings.getRequiredProperty("spring.datasource.password"));
        Flyway.configure(Migrations.class.getClassLoader())
                .dataSource(settings.getRequiredProperty("spring.datasource.url"), user, password)
                .locations("classpath:db/migration")
                // Whom they give what the pages may change.
                .placeholders(Map.of("pages", settings.getRequiredProperty(OWN + "pages")))
                .skipDefaultCallbacks(!settings.getProperty(OWN + "grants", Boolean.class, true))
                .load()
                .migrate();
    }
}
