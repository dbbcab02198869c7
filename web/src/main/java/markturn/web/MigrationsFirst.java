package markturn.web;

import java.util.Set;
import org.springframework.boot.sql.init.dependency.AbstractBeansOfTypeDatabaseInitializerDetector;

/** Says to the framework that whatever asks the database waits for the migrations. */
public final class MigrationsFirst extends AbstractBeansOfTypeDatabaseInitializerDetector {
    @Override
    protected Set<Class<?>> getDatabaseInitializerBeanTypes() {
        return Set.of(Migrations.class);
    }
}
