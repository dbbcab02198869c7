package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
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
    static final CacheControl FOR_GOOD =
            CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();

    /** What answers on a device: a script that is held by a policy of its own. */
    static final String WORKER = "js/pocket/worker.js";

    /** Sheets of styles, each before those that overrule it. */
    private static final List<String> SHEETS = List.of(
            "/META-INF/resources/webjars/bootstrap/5.3.8/css/bootstrap-reboot.min.css",
            "/META-INF/resources/webjars/bootstrap/5.3.8/css/bootstrap-utilities.min.css",
            "/static/css/fonts.css",
            "/static/css/tokens.css",
            "/static/css/base.css",
            "/static/css/drawing.css",
            "/static/css/frame.css",
            "/static/css/job.css",
            "/static/css/point.css",
            "/static/css/setup.css",
            "/static/css/turning.css",
            "/static/css/detail.css",
            "/static/css/setout.css",
            "/static/css/review.css",
            "/static/css/traverse.css",
            "/static/css/plan.css",
            "/static/css/planning.css",
            "/static/css/phone.css",
            "/static/css/epoch.css");

    private static final Pattern IMPORT = Pattern.compile("^(?:import|export) .*\"(\\.[^\"]+)\";$", Pattern.MULTILINE);

    private final Map<String, List<String>> imports = new ConcurrentHashMap<>();
    private final byte[] styles;
    private final String beneath;

    StaticParts() throws IOException {
        this.styles = together();
        this.beneath = "/parts/" + digest(styles);
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

    /** The address of all styles in one: a thin connection is asked for them once. */
    public String styles() {
        return at("css/all.css");
    }

    /**
     * The addresses of all that a script imports, and what that imports: asked for together with it, none waits for another to name it.
     *
     * @param script its place in the house, such as {@code js/frame/house.js}
     */
    public List<String> imported(String script) {
        return imports.computeIfAbsent(script, its -> {
            Set<String> seen = new LinkedHashSet<>();
            follow(its, seen);
            return seen.stream().map(this::at).toList();
        });
    }

    private static void follow(String script, Set<String> seen) {
        Matcher named = IMPORT.matcher(text(script));
        while (named.find()) {
            String its = URI.create(script).resolve(named.group(1)).toString();
            if (seen.add(its)) {
                follow(its, seen);
            }
        }
    }

    private static String text(String script) {
        try {
            return new ClassPathResource("/static/" + script).getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException gone) {
            throw new IllegalStateException("a page names a script that is not here: " + script, gone);
        }
    }

    /** All styles, one sheet behind the other. */
    byte[] allStyles() {
        return styles.clone();
    }

    private static byte[] together() throws IOException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (String sheet : SHEETS) {
            all.write(new ClassPathResource(sheet).getContentAsByteArray());
            all.write('\n');
        }
        return all.toByteArray();
    }

    /** The address of letters by family, script and weight, such as {@code next-latin-400}. */
    public String letters(String name) {
        return at("fonts/atkinson-hyperlegible-" + name + "-normal.woff2");
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(beneath + "/**")
                .addResourceLocations("classpath:/static/")
                .setUseLastModified(false)
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

    /** Of the checksums of all parts: a digest of three megabytes themselves, at the start by code that is not compiled yet, takes a seventh of a second. */
    private static String digest(byte[] styles) throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            Resource[] all = new PathMatchingResourcePatternResolver().getResources("classpath:/static/**/*.*");
            Arrays.sort(all, Comparator.comparing(StaticParts::address));
            for (Resource part : all) {
                digest.update(checksum(part.getContentAsByteArray()));
            }
            digest.update(checksum(styles));
            return HexFormat.of().formatHex(digest.digest(), 0, 8);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }

    private static byte[] checksum(byte[] part) {
        CRC32 sum = new CRC32();
        sum.update(part);
        return ByteBuffer.allocate(2 * Long.BYTES)
                .putLong(part.length)
                .putLong(sum.getValue())
                .array();
    }

    private static String address(Resource part) {
        try {
            return part.getURL().toString();
        } catch (IOException gone) {
            throw new IllegalStateException("a part that was just listed is gone", gone);
        }
    }
}
