package markturn.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;

/**
 * A bare application of the same framework, with persistence and security and nothing of its own: what the start of Mark Turn is measured
 * against, and what it takes to store a row. Its sign-in page is the framework's.
 */
@SpringBootApplication
public class BareApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(BareApplication.class, arguments);
    }

    /** As the framework sets it, but that rows may be stored without signing in. */
    @Bean
    SecurityFilterChain security(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(all ->
                        all.requestMatchers("/row").permitAll().anyRequest().authenticated())
                .formLogin(Customizer.withDefaults())
                .csrf(forged -> forged.ignoringRequestMatchers("/row"))
                .build();
    }
}
