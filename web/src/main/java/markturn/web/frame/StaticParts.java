package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.thymeleaf.spring6.view.ThymeleafViewResolver;

/**
 * Styles, scripts and fonts beneath an address that holds a digest of all of them: a browser keeps them for good and asks for them anew
 * only where a build changed one. Scripts and styles name each other relatively, so that they stay beneath it. Every template has it
 * as {@code parts}.
 */
@Component
final class StaticParts implements WebMvcConfigurer {
    private static final CacheControl FOR_GOOD =
            CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();

    private static final String WORKER = "js/pocket/worker.js";

    private final String beneath;

    StaticParts() throws IOException {
        this.beneath = "/parts/" + digest();
    }

    /** Pages that say what failed have no model of a controller: every view gets it. */
    @Autowired
    void offerTo(ThymeleafViewResolver views) {
        views.addStaticVariable("parts", this);
    }

    /** The address of a part by its place in the house, such as {@code css/frame.css}. */
    public String at(String place) {
        return beneath + "/" + place;
    }

    /** The address of a sheet of styles by its name. */
    public String style(String name) {
        return at("css/" + name + ".css");
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(beneath + "/**")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(FOR_GOOD);
        // These hold their version in the address.
        registry.addResourceHandler("/webjars/**")
                .addResourceLocations("classpath:/META-INF/resources/webjars/")
                .setCacheControl(FOR_GOOD);
    }

    /** The worker of a device answers for every address, though it lies beneath this one. */
    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
                    @Override
                    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                        response.setHeader("Service-Worker-Allowed", "/");
                        return true;
                    }
                })
                .addPathPatterns(at(WORKER));
    }

    private static String digest() throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            Resource[] all = new PathMatchingResourcePatternResolver().getResources("classpath:/static/**/*.*");
            Arrays.sort(all, Comparator.comparing(StaticParts::address));
            for (Resource part : all) {
                digest.update(part.getContentAsByteArray());
            }
            return HexFormat.of().formatHex(digest.digest(), 0, 8);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }

    private static String address(Resource part) {
        try {
            return part.getURL().toString();
        } catch (IOException gone) {
            throw new IllegalStateException("a part that was just listed is gone", gone);
        }
    }
}
