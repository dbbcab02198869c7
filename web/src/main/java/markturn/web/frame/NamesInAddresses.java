package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    private static final Pattern WRITTEN = Pattern.compile("(~[0-9A-F]{2})+");
    private static final Pattern ONLY_DOTS = Pattern.compile("\\.+");

    /** For templates: {@code address.segment(name)}. */
    @ModelAttribute("address")
    NamesInAddresses address() {
        return this;
    }

    /** A name as one part of an address. */
    public String segment(String name) {
        return of(name);
    }

    /**
     * A name as one part of an address: letters, digits, spaces and the signs that mean nothing there as they are.
     *
     * @param name any text; empty stays empty
     */
    public static String of(String name) {
        boolean dots = ONLY_DOTS.matcher(name).matches();
        StringBuilder segment = new StringBuilder();
        name.codePoints().forEach(sign -> {
            boolean plain = Character.isLetterOrDigit(sign) || " _-".indexOf(sign) >= 0 || sign == '.' && !dots;
            String text = Character.toString(sign);
            if (plain) {
                segment.append(text);
            } else {
                for (byte one : text.getBytes(StandardCharsets.UTF_8)) {
                    segment.append('~').append(HexFormat.of().withUpperCase().toHexDigits(one));
                }
            }
        });
        return segment.toString();
    }

    /** The name that a part of an address stands for. */
    static String read(String segment) {
        Matcher written = WRITTEN.matcher(segment);
        return written.replaceAll(signs -> {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            for (String sign : signs.group().substring(1).split("~")) {
                bytes.write(HexFormat.fromHexDigits(sign));
            }
            return Matcher.quoteReplacement(bytes.toString(StandardCharsets.UTF_8));
        });
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables) {
            Map<String, String> read = new HashMap<>();
            variables.forEach((key, value) -> read.put((String) key, read((String) value)));
            request.setAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, read);
        }
        return true;
    }
}
