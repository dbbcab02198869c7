package markturn.web.people;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.security.core.session.SessionInformation;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.security.core.userdetails.User;
import org.springframework.stereotype.Service;

/** Where somebody is signed in, and the end of it. */
@Service
public class Sessions {
    private final SessionRegistry registry;

    Sessions(SessionRegistry registry) {
        this.registry = registry;
    }

    /** One sign-in, by a name that gives no key away. */
    public record Shown(String name, Instant lastUsed, boolean isThis) {}

    private List<SessionInformation> of(String signInName) {
        // Who is known by a name is told from nobody else by anything more.
        return registry.getAllSessions(
                User.withUsername(signInName).password("").build(), false);
    }

    private static String name(String sessionId) {
        return UUID.nameUUIDFromBytes(sessionId.getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** @param here the session that asks */
    List<Shown> shown(String signInName, String here) {
        return of(signInName).stream()
                .map(session -> new Shown(
                        name(session.getSessionId()),
                        session.getLastRequest().toInstant(),
                        session.getSessionId().equals(here)))
                .sorted(Comparator.comparing(Shown::lastUsed).reversed())
                .toList();
    }

    /** Ends one of somebody's sign-ins, if it is theirs. */
    void end(String signInName, String name) {
        of(signInName).stream()
                .filter(session -> name(session.getSessionId()).equals(name))
                .forEach(SessionInformation::expireNow);
    }

    /** Ends all of somebody's sign-ins but one. */
    void endOthers(String signInName, String here) {
        of(signInName).stream()
                .filter(session -> !session.getSessionId().equals(here))
                .forEach(SessionInformation::expireNow);
    }
}
