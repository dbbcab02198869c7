package markturn.web.frame;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.web.people.People;
import org.springframework.dao.DataAccessException;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/** A sign-in ends twelve hours after it began, however busy it was, and within seconds of an account losing or gaining a role. */
@Component
class SessionEnds extends OncePerRequestFilter {
    private static final Duration LONGEST = Duration.ofHours(12);

    private final People people;
    private final SecurityLog log;
    private final Cache<String, Set<String>> roles = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofSeconds(10))
            .maximumSize(10_000)
            .build();

    SessionEnds(People people, SecurityLog log) {
        this.people = people;
        this.log = log;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (session != null && who != null && who.isAuthenticated() && !(who instanceof AnonymousAuthenticationToken)) {
            boolean old = System.currentTimeMillis() - session.getCreationTime() > LONGEST.toMillis();
            if (old || haveChanged(who)) {
                log.note(
                        old ? "session-over" : "session-ended-roles-changed",
                        who.getName(),
                        request.getRemoteAddr(),
                        "");
                session.invalidate();
                SecurityContextHolder.clearContext();
            }
        }
        chain.doFilter(request, response);
    }

    /** Where the database does not answer nothing is known to have changed; whatever the page needs of it says so. */
    private boolean haveChanged(Authentication who) {
        Set<String> held = held(who);
        try {
            if (held.equals(roles.get(who.getName(), people::roles))) {
                return false;
            }
            // Whoever signed in again since the change holds the new ones: what is remembered may be of before.
            roles.invalidate(who.getName());
            return !held.equals(roles.get(who.getName(), people::roles));
        } catch (DataAccessException | TransactionException gone) {
            return false;
        }
    }

    private static Set<String> held(Authentication who) {
        return who.getAuthorities().stream()
                .map(GrantedAuthority::getAuthority)
                .filter(role -> role.startsWith("ROLE_"))
                .map(role -> role.substring("ROLE_".length()))
                .collect(Collectors.toSet());
    }
}
