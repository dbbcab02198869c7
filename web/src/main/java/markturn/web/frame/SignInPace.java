package markturn.web.frame;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import markturn.survey.job.PlainText;
import markturn.web.people.OfficeRecord;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationFailureEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Guessing a password is slowed: after a few wrong tries for an account, or from an address, the next must wait, each time twice as long.
 * The right password in time forgets the account's wrong tries; those of the address fade by themselves.
 */
@Component
class SignInPace extends OncePerRequestFilter {
    private static final int FREE_FOR_ACCOUNT = 5;
    private static final int FREE_FOR_ADDRESS = 50;
    private static final long LONGEST_WAIT = Duration.ofMinutes(5).toMillis();
    private static final int MOST_REMEMBERED = 100_000;

    private final SecurityLog log;
    private final OfficeRecord record;
    private final Cache<String, Tries> wrong = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofMinutes(15))
            .maximumSize(MOST_REMEMBERED)
            .build();

    SignInPace(SecurityLog log, OfficeRecord record) {
        this.log = log;
        this.record = record;
    }

    /** How often, and when last, in milliseconds. */
    private record Tries(int count, long last) {
        Tries more() {
            return new Tries(count + 1, System.currentTimeMillis());
        }

        boolean mustWait(int free) {
            int beyond = count - free;
            long wait = beyond < 0 ? 0 : Math.min(LONGEST_WAIT, 1000L << Math.min(beyond, 20));
            return System.currentTimeMillis() - last < wait;
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getServletPath().equals("/sign-in"));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String account = String.valueOf(request.getParameter("username"));
        if (mustWait(account(account), FREE_FOR_ACCOUNT)
                || mustWait(address(request.getRemoteAddr()), FREE_FOR_ADDRESS)) {
            log.note("sign-in-paused", account, request.getRemoteAddr(), "/sign-in");
            response.sendRedirect("/sign-in?wait");
            return;
        }
        chain.doFilter(request, response);
    }

    private boolean mustWait(String key, int free) {
        Tries tries = wrong.getIfPresent(key);
        return tries != null && tries.mustWait(free);
    }

    private static String account(String name) {
        return "account " + name.substring(0, Math.min(name.length(), 60));
    }

    private static String address(String from) {
        return "address " + from;
    }

    @EventListener
    void refused(AbstractAuthenticationFailureEvent event) {
        String account = event.getAuthentication().getName();
        String from = from(event.getAuthentication().getDetails());
        for (String key : List.of(account(account), address(from))) {
            wrong.asMap().merge(key, new Tries(1, System.currentTimeMillis()), (before, one) -> before.more());
        }
        Tries tries = wrong.getIfPresent(account(account));
        if (tries != null && tries.count() == FREE_FOR_ACCOUNT) {
            record.note(
                    "",
                    FREE_FOR_ACCOUNT + " wrong passwords for " + PlainText.cleaned(account) + " from " + from
                            + ": the sign-in is slowed from here on");
        }
        log.note("sign-in-refused", account, from, "/sign-in");
    }

    @EventListener
    void signedIn(AuthenticationSuccessEvent event) {
        String account = event.getAuthentication().getName();
        wrong.invalidate(account(account));
        log.note("sign-in", account, from(event.getAuthentication().getDetails()), "/sign-in");
    }

    private static String from(Object details) {
        return details instanceof WebAuthenticationDetails web ? web.getRemoteAddress() : "";
    }
}
