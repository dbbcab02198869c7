package markturn.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;

/** Somebody at the pages of a running Mark Turn with its demo accounts. */
final class Visitor {
    static {
        // Given up before the server gives it up, after 20 s: of two who do so at once this one would be told of a
        // fault no browser shows.
        System.setProperty("jdk.httpclient.keepalive.timeout", "10");
    }

    private final String base;
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();

    Visitor(String base) {
        this.base = base;
    }

    String address(String page) {
        return base + page;
    }

    /** How a posted form was answered: after how long, with how many bytes on the wire, and the revision its page shows then. */
    record Answer(double milliseconds, int bytes, String revision) {}

    /** Milliseconds until a posted form that asks nothing back has been answered. */
    double posted(String url, Map<String, String> form) throws Exception {
        return send(url, form, true).milliseconds();
    }

    /** Posts a form as a page does that wants to know what it draws anew. */
    Answer told(String url, Map<String, String> form) throws Exception {
        return send(url, form, false);
    }

    private Answer send(String url, Map<String, String> form, boolean minimal) throws Exception {
        String body = form.entrySet().stream()
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .header("Accept-Encoding", "gzip")
                .POST(HttpRequest.BodyPublishers.ofString(body));
        if (minimal) {
            request.header("Prefer", "return=minimal");
        }
        long began = System.nanoTime();
        HttpResponse<byte[]> answer = client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
        double milliseconds = (System.nanoTime() - began) / 1e6;
        if (answer.statusCode() != (minimal ? 204 : 200)) {
            throw new IllegalStateException(url + " answered " + answer.statusCode() + " " + unzipped(answer));
        }
        return new Answer(milliseconds, answer.body().length, minimal ? "" : revision(unzipped(answer)));
    }

    private static String unzipped(HttpResponse<byte[]> answer) throws IOException {
        boolean zipped = answer.headers()
                .firstValue("Content-Encoding")
                .filter("gzip"::equals)
                .isPresent();
        if (!zipped) {
            return new String(answer.body(), StandardCharsets.UTF_8);
        }
        try (GZIPInputStream body = new GZIPInputStream(new ByteArrayInputStream(answer.body()))) {
            return new String(body.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** What a page shows, as it says it with every line: its name and the revision. */
    static Map<String, String> shown(String page) {
        Matcher name = Pattern.compile("data-page=\"([^\"]+)\"").matcher(page);
        if (!name.find()) {
            throw new IllegalStateException("a page without a name");
        }
        return new HashMap<>(Map.of("page", name.group(1), "since", revision(page)));
    }

    /** The revision that a page shows. */
    static String revision(String page) {
        Matcher found = Pattern.compile("\"revision\":(\\d+)").matcher(page);
        return found.find() ? found.group(1) : "";
    }

    /** Milliseconds until an address has answered. */
    double timed(String url) throws Exception {
        long began = System.nanoTime();
        HttpResponse<byte[]> answer =
                client.send(HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofByteArray());
        double milliseconds = (System.nanoTime() - began) / 1e6;
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(url + " answered " + answer.statusCode());
        }
        return milliseconds;
    }

    /** The token that a form of a page carries. */
    String token(String page) throws Exception {
        String html = client.send(
                        HttpRequest.newBuilder(URI.create(base + page)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
        Matcher found = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"").matcher(html);
        if (!found.find()) {
            throw new IllegalStateException("no token on " + page);
        }
        return found.group(1);
    }

    /** Signs in as the demo's surveyor. */
    void signIn() throws Exception {
        String form = "username=wren&password=alder-weir&_csrf="
                + URLEncoder.encode(token("/sign-in"), StandardCharsets.UTF_8);
        client.send(
                HttpRequest.newBuilder(URI.create(base + "/sign-in"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.discarding());
    }

    /** Brings a job file in and answers its address. */
    String bringIn(String job) throws Exception {
        HttpResponse<String> answer =
                file(base + "/job/import?key=" + UUID.randomUUID(), "bench.json", job, token("/job"));
        if (!answer.uri().getPath().startsWith("/job/")) {
            throw new IllegalStateException("the job was not taken in: " + answer.statusCode());
        }
        return answer.uri().toString();
    }

    /** Uploads a file to a form and answers where that led. */
    String upload(String url, String name, String content, String token) throws Exception {
        HttpResponse<String> answer = file(url, name, content, token);
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(url + " answered " + answer.statusCode());
        }
        return answer.uri().toString();
    }

    private HttpResponse<String> file(String url, String name, String content, String token) throws Exception {
        String boundary = "----bench";
        String body = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + token
                + "\r\n--" + boundary
                + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n"
                + content + "\r\n--" + boundary + "--\r\n";
        return client.send(
                HttpRequest.newBuilder(URI.create(url))
                        .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** Takes an uploaded file in as located points, and waits until it is. */
    void takeIn(String preview, String token) throws Exception {
        String form = "kind=located&unit=m&_csrf=" + URLEncoder.encode(token, StandardCharsets.UTF_8);
        client.send(
                HttpRequest.newBuilder(URI.create(preview + "/take"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.discarding());
        while (!text(preview + "/progress").contains("\"done\":true")) {
            Thread.sleep(10);
        }
        if (!text(preview + "/run").contains("came in")) {
            throw new IllegalStateException("the points were not taken in");
        }
    }

    /** What an address answers. */
    String text(String url) throws Exception {
        return client.send(HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }
}
