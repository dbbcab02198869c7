package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import markturn.web.people.People;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Every page behind the sign-in, but the sign-in itself and what it is drawn with. */
@Configuration
class Security {
    /** No inline script or style anywhere, nothing from elsewhere. */
    private static final String CONTENT_SECURITY_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:;"
                    + " font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    private static final String[] OPEN = {
        "/sign-in", "/css/**", "/js/**", "/fonts/**", "/webjars/**", "/favicon.svg", "/error"
    };

    /** Booking is the surveyor's; reading, answering and accepting are open to every member. */
    private static final String[] BOOKING = {
        "/job/new",
        "/job/import",
        "/job/*/mark/**",
        "/job/*/equipment/**",
        "/job/*/setup/**",
        "/job/*/turning/**",
        "/job/*/detail/**",
        "/job/*/code/**",
        "/job/*/intake/**",
        "/job/*/practice/**",
        "/practice/**"
    };

    @Bean
    SecurityFilterChain pages(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(requests -> requests.requestMatchers(OPEN)
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, BOOKING)
                        .hasRole(People.SURVEYOR)
                        .requestMatchers(
                                HttpMethod.POST,
                                "/job/*/traverse/adopt",
                                "/job/*/network/adopt",
                                "/job/*/point/withdraw")
                        .hasRole(People.REVIEWER)
                        .anyRequest()
                        .authenticated())
                .formLogin(form ->
                        form.loginPage("/sign-in").defaultSuccessUrl("/job").permitAll())
                .exceptionHandling(refused -> refused.accessDeniedHandler(Security::denied))
                .logout(out -> out.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(CONTENT_SECURITY_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    /** A page that stood open longer than its sign-in leads to the sign-in; whoever is signed in lacks the role. */
    private static void denied(HttpServletRequest request, HttpServletResponse response, AccessDeniedException denied)
            throws IOException {
        boolean expired = denied instanceof CsrfException && !isSignedIn();
        boolean fetched = request.getHeader("X-Requested-With") != null;
        if (expired && !fetched) {
            response.sendRedirect("/sign-in?expired");
        } else {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
        }
    }

    /** The request does not know its principal yet where tokens are checked; the context does. */
    private static boolean isSignedIn() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null && who.isAuthenticated();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder();
    }
}
