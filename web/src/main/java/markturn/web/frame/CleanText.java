package markturn.web.frame;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import markturn.survey.job.PlainText;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Whatever is typed or posted is text before anything reads it: a control character pasted into a name must not break a report years later. */
@Component
class CleanText extends OncePerRequestFilter {
    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(new Cleaned(request), response);
    }

    /** A request whose parameters are clean. */
    private static final class Cleaned extends HttpServletRequestWrapper {
        Cleaned(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getParameter(String name) {
            String value = super.getParameter(name);
            return value == null ? null : PlainText.cleaned(value);
        }

        @Override
        public String[] getParameterValues(String name) {
            String[] values = super.getParameterValues(name);
            return values == null
                    ? null
                    : Arrays.stream(values).map(PlainText::cleaned).toArray(String[]::new);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            Map<String, String[]> clean = new LinkedHashMap<>();
            super.getParameterMap().keySet().forEach(name -> clean.put(name, getParameterValues(name)));
            return clean;
        }
    }
}
