package markturn.web.frame;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.Arrays;
import java.util.List;
import markturn.formats.Version;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** How pages look to this person: theme, and on which side the thumb column stands. Kept in cookies, asked of nobody else. */
@Controller
@ControllerAdvice
class Appearance {
    private static final List<String> THEMES = List.of("day", "night", "sun");
    private static final List<String> HANDS = List.of("right", "left");
    private static final int A_YEAR = 365 * 24 * 3600;

    /** The version of the program, on every page. */
    @ModelAttribute("version")
    String version() {
        return Version.current();
    }

    @ModelAttribute("theme")
    String theme(HttpServletRequest request) {
        return chosen(request, "theme", THEMES);
    }

    @ModelAttribute("hand")
    String hand(HttpServletRequest request) {
        return chosen(request, "hand", HANDS);
    }

    private static String chosen(HttpServletRequest request, String name, List<String> allowed) {
        Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
        return Arrays.stream(cookies)
                .filter(c -> c.getName().equals(name) && allowed.contains(c.getValue()))
                .map(Cookie::getValue)
                .findFirst()
                .orElse(allowed.get(0));
    }

    @PostMapping("/looks")
    String choose(
            @RequestParam(required = false) String theme,
            @RequestParam(required = false) String hand,
            HttpServletRequest request,
            HttpServletResponse response) {
        keep(request, response, "theme", theme, THEMES);
        keep(request, response, "hand", hand, HANDS);
        return "redirect:" + back(request.getHeader("Referer"));
    }

    private static void keep(
            HttpServletRequest request, HttpServletResponse response, String name, String value, List<String> allowed) {
        if (value != null && allowed.contains(value)) {
            Cookie cookie = new Cookie(name, value);
            cookie.setPath("/");
            cookie.setMaxAge(A_YEAR);
            cookie.setHttpOnly(true);
            cookie.setSecure(request.isSecure());
            cookie.setAttribute("SameSite", "Lax");
            response.addCookie(cookie);
        }
    }

    /** The page this came from, by its path alone, so that nobody can be sent elsewhere. */
    private static String back(String referrer) {
        try {
            String path = referrer == null ? null : new URI(referrer).getRawPath();
            return path == null || path.startsWith("//") || !path.startsWith("/") ? "/job" : path;
        } catch (URISyntaxException unreadable) {
            return "/job";
        }
    }
}
