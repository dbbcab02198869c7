package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import markturn.web.House;

/** Somebody who asks for pages and posts forms without a browser; a cookie is taken along to another port of the same machine. */
final class Caller {
    private static final Pattern DEMO = Pattern.compile("href=\"(/job/[0-9a-f-]{36})\"");

    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private String address;
    private String token;
    private String job;

    Caller(String address) {
        this.address = address;
    }

    /** From now on another copy of the program is asked. */
    void turnTo(String other) {
        address = other;
    }

    /** The address of the demo job, after signing in. */
    String job() {
        return job;
    }

    void signIn() throws Exception {
        token = first(House.TOKEN, get("/sign-in"));
        assertThat(post("/sign-in", Map.of("username", "wren", "password", "alder-weir"))
                        .statusCode())
                .isEqualTo(302);
        String jobs = get("/job");
        job = first(DEMO, jobs);
        token = first(House.TOKEN, jobs);
    }

    private static String first(Pattern pattern, String page) {
        Matcher found = pattern.matcher(page);
        assertThat(found.find()).as(pattern.pattern()).isTrue();
        return found.group(1);
    }

    String get(String path) throws Exception {
        return client.send(
                        HttpRequest.newBuilder(URI.create(address + path)).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }

    HttpResponse<String> post(String path, Map<String, String> values) throws Exception {
        Map<String, String> form = new LinkedHashMap<>(values);
        form.put("_csrf", token);
        String body = form.entrySet().stream()
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        return client.send(
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** A pointing to a pillar at 34 degrees and these minutes and seconds. */
    static Map<String, String> pointing(String key, String minutesAndSeconds) {
        return Map.of(
                "key",
                key,
                "target",
                "PILLAR 2",
                "role",
                "CHECK",
                "face",
                "LEFT",
                "circle",
                "34 " + minutesAndSeconds,
                "reflector",
                "none",
                "set",
                "");
    }
}
