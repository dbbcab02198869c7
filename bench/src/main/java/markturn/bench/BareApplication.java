package markturn.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/**
 * A bare application of the same framework, with persistence and security and nothing of its own: what the start of Mark Turn is measured
 * against. Its sign-in page is the framework's.
 */
@SpringBootApplication
public class BareApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(BareApplication.class, arguments);
    }
}
