package markturn.web.device;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** The device a page is shown on, known by a cookie that says nothing but that. */
public final class Device {
    private static final String COOKIE = "device";
    private static final int A_YEAR = 365 * 24 * 3600;

    private Device() {}

    /** Its name; empty where it has none yet. */
    public static String name() {
        HttpServletRequest request = request();
        if (request.getAttribute(COOKIE) instanceof String given) {
            return given;
        }
        Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
        return Arrays.stream(cookies)
                .filter(c -> c.getName().equals(COOKIE) && c.getValue().length() <= 60)
                .map(Cookie::getValue)
                .findFirst()
                .orElse("");
    }

    /** The device, where it has a name. */
    public static Optional<String> known() {
        return isUnknown() ? Optional.empty() : Optional.of(name());
    }

    private static HttpServletRequest request() {
        return ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
    }

    private static boolean isUnknown() {
        return name().isEmpty();
    }

    /** Gives it a name where it has none yet. */
    public static void rememberIfUnknown(HttpServletResponse response) {
        if (isUnknown()) {
            remember(response);
        }
    }

    private static void remember(HttpServletResponse response) {
        String name = UUID.randomUUID().toString();
        request().setAttribute(COOKIE, name);
        Cookie cookie = new Cookie(COOKIE, name);
        cookie.setPath("/");
        cookie.setMaxAge(A_YEAR);
        cookie.setHttpOnly(true);
        cookie.setSecure(request().isSecure());
        cookie.setAttribute("SameSite", "Lax");
        response.addCookie(cookie);
    }
}
