package markturn.web.frame;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A page asked for under a name that is not this house's is not answered: a strange name that leads here could read what it shows. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class ServedHosts extends OncePerRequestFilter {
    /** RFC 9110, 15.5.20. */
    private static final int MISDIRECTED = 421;

    private final Set<String> served = new HashSet<>(Set.of("127.0.0.1", "localhost", "[::1]"));

    /** @param more names beside those of this machine, as {@code markturn.hosts} lists them */
    ServedHosts(@Value("${markturn.hosts:}") List<String> more) {
        more.stream().map(String::strip).filter(name -> !name.isEmpty()).forEach(served::add);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!served.contains(request.getServerName())) {
            response.setStatus(MISDIRECTED);
            response.setContentType("text/plain;charset=utf-8");
            response.getWriter().write("This house is not known by that name. Use the address that start printed.\n");
            return;
        }
        chain.doFilter(request, response);
    }
}
