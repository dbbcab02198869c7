package markturn.web;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

/** The packages of the web application know only each other's public faces, and lean on each other in one direction. */
class WebArchitectureTest {
    @Test
    void packagesLeanInOneDirection() {
        ApplicationModules.of(WebApplication.class).verify();
    }
}
