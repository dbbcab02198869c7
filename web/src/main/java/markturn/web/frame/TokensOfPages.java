package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpMethod;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.HttpSessionCsrfTokenRepository;

/**
 * The tokens that forms carry, in the session. A session begins with a page that is shown, never with something that is sent: the cookie of
 * one that a device began of its own accord, arriving late, would take the place of that of a sign-in made meanwhile.
 */
final class TokensOfPages implements CsrfTokenRepository {
    private final HttpSessionCsrfTokenRepository kept = new HttpSessionCsrfTokenRepository();

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        return kept.generateToken(request);
    }

    @Override
    public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null || request.getMethod().equals(HttpMethod.GET.name())) {
            kept.saveToken(token, request, response);
        }
    }

    @Override
    public CsrfToken loadToken(HttpServletRequest request) {
        return kept.loadToken(request);
    }
}
