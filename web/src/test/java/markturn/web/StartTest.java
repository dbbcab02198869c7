package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManagerFactory;
import java.util.HashMap;
import java.util.Map;
import org.flywaydb.core.api.FlywayException;
import org.hibernate.bytecode.internal.none.BytecodeProviderImpl;
import org.hibernate.bytecode.spi.BytecodeProvider;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.core.env.MapPropertySource;
import org.springframework.core.env.StandardEnvironment;

/** What the start leaves out, since nobody needs it. Common practice, no source. */
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
