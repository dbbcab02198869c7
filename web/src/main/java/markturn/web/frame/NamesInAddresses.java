package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.Map;
import markturn.tripod.view.NameInAddress;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Names of setups and marks as parts of addresses. People call a mark {@code 12/3} or {@code A#2}, and servers refuse such signs in a path
 * even where they are escaped: here each becomes a tilde with its bytes in hexadecimal, and every path variable is read back before a
 * controller sees it.
 */
@Component
@ControllerAdvice
public class NamesInAddresses implements HandlerInterceptor, WebMvcConfigurer {

    /** For templates: {@code address.segment(name)}. */
    @ModelAttribute("address")
    NamesInAddresses address() {
        return this;
    }

    /** A name as one part of an address. */
    public String segment(String name) {
        return NameInAddress.of(name);
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables) {
            Map<String, String> read = new HashMap<>();
            variables.forEach((key, value) -> read.put((String) key, NameInAddress.read((String) value)));
            request.setAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, read);
        }
        return true;
    }
}
