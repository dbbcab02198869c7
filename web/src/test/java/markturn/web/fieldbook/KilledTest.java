package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ConnectException;
import java.net.CookieManager;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import markturn.web.CommandLine;
import markturn.web.TestDatabase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Server and database are killed while pointings are being posted; every one that was acknowledged is found again. */
class KilledTest {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");
    private static final Pattern DEMO = Pattern.compile("href=\"(/job/[0-9a-f-]{36})\"");

    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .connectTimeout(Duration.ofSeconds(5))
            .build();
    private String address;
    private String token;
    private String job;

    @ParameterizedTest
    @ValueSource(ints = {7, 23})
    void everyAcknowledgedPointingIsFoundAgain(int killedAfter) throws Exception {
        TestDatabase database = TestDatabase.start(Path.of("target/killed-data"));
        Process server = serve(database);
        try {
            signIn();
            List<String> acknowledged = post(killedAfter, server, database);
            assertThat(acknowledged).hasSizeGreaterThanOrEqualTo(killedAfter);
            database.startAgain();
            server = serve(database);
            signIn();
            // Each pointing carries its own seconds, so that it can be told on the page.
            String book = get(job + "/turning/S4");
            assertThat(acknowledged).allSatisfy(circle -> assertThat(book).contains(circle));
        } finally {
            server.destroyForcibly().waitFor();
            database.stop();
        }
    }

    /**
     * The database alone dies, again and again, while pointings are posted: each is answered as stored, or says that it was not; never 200
     * with nothing. How often: {@code -Dmarkturn.kills}.
     */
    @Test
    void aDatabaseThatDiesIsSaid() throws Exception {
        int kills = Integer.getInteger("markturn.kills", 18);
        TestDatabase database = TestDatabase.start(Path.of("target/killed-data"));
        Process server = serve(database);
        try {
            signIn();
            Set<String> acknowledged = new LinkedHashSet<>();
            int refused = 0;
            for (int kill = 0; kill < kills; kill++) {
                long pid = database.pid();
                int after = 3 + kill % 5;
                int failed = 0;
                for (int i = 0; failed < 2 || i <= after; i++) {
                    if (i == after) {
                        Thread.sleep(kill % 4);
                        new Thread(() -> ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly)).start();
                    }
                    String seconds = "%02d.%d".formatted((kill * 40 + i) / 10 % 60, (kill * 40 + i) % 10);
                    String minutes = "%02d".formatted((kill * 40 + i) / 600);
                    HttpResponse<String> answer =
                            postForm(job + "/turning/S4/reading", pointing(minutes + " " + seconds));
                    assertThat(answer.statusCode()).as(answer.body()).isIn(200, 503);
                    if (answer.statusCode() == 200) {
                        assertThat(answer.body()).contains("\"revision\":");
                        acknowledged.add("34°%s'%s\\\"".formatted(minutes, seconds));
                    } else {
                        assertThat(answer.body()).contains("nothing of this was stored");
                        failed++;
                        refused++;
                    }
                }
                while (ProcessHandle.of(pid).map(ProcessHandle::isAlive).orElse(false)) {
                    Thread.sleep(20);
                }
                // Whoever signs in meanwhile is not told that the password is wrong.
                assertThat(get("/job")).contains("nothing of this was stored");
                database.startAgain();
                for (int i = 0; get("/job").contains("nothing of this was stored"); i++) {
                    assertThat(i).as("the pages find the database again").isLessThan(100);
                    Thread.sleep(50);
                }
            }
            assertThat(refused).isGreaterThanOrEqualTo(2 * kills);
            String book = get(job + "/turning/S4");
            assertThat(acknowledged).allSatisfy(circle -> assertThat(book).contains(circle));
        } finally {
            server.destroyForcibly().waitFor();
            database.stop();
        }
    }

    private static Map<String, String> pointing(String minutesAndSeconds) {
        return Map.of(
                "key",
                UUID.randomUUID().toString(),
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

    /** Posts pointings one after the other; a second thread kills both processes in the midst of one. */
    private List<String> post(int killedAfter, Process server, TestDatabase database) throws Exception {
        List<String> acknowledged = new ArrayList<>();
        long databasePid = database.pid();
        try {
            for (int i = 0; i < 1000; i++) {
                if (i == killedAfter) {
                    new Thread(() -> {
                                server.destroyForcibly();
                                ProcessHandle.of(databasePid).ifPresent(ProcessHandle::destroyForcibly);
                            })
                            .start();
                }
                String seconds = "%02d.%d".formatted(i / 10, i % 10);
                HttpResponse<String> answer = postForm(job + "/turning/S4/reading", pointing("56 " + seconds));
                if (answer.statusCode() == 200) {
                    acknowledged.add("34°56'" + seconds + "\\\"");
                }
            }
        } catch (IOException lost) {
            assertThat(server.waitFor()).isNotZero();
        }
        while (ProcessHandle.of(databasePid).map(ProcessHandle::isAlive).orElse(false)) {
            Thread.sleep(20);
        }
        return acknowledged;
    }

    private Process serve(TestDatabase database) throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        address = "http://127.0.0.1:" + port;
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                CommandLine.class.getName(),
                "--server.port=" + port,
                "--spring.datasource.hikari.connection-timeout=400"));
        database.properties().forEach((key, value) -> command.add("--" + key + "=" + value));
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(Path.of("target/killed.log").toFile())
                .start();
        for (int i = 0; i < 600; i++) {
            try {
                client.send(
                        HttpRequest.newBuilder(URI.create(address + "/sign-in")).build(),
                        HttpResponse.BodyHandlers.discarding());
                return process;
            } catch (ConnectException notYet) {
                assertThat(process.isAlive())
                        .as("the application, see target/killed.log")
                        .isTrue();
                Thread.sleep(100);
            }
        }
        throw new IllegalStateException("the application does not answer");
    }

    private void signIn() throws Exception {
        token = first(TOKEN, get("/sign-in"));
        assertThat(postForm("/sign-in", Map.of("username", "wren", "password", "alder-weir"))
                        .statusCode())
                .isEqualTo(302);
        String jobs = get("/job");
        job = first(DEMO, jobs);
        token = first(TOKEN, jobs);
    }

    private static String first(Pattern pattern, String page) {
        Matcher found = pattern.matcher(page);
        assertThat(found.find()).as(pattern.pattern()).isTrue();
        return found.group(1);
    }

    private String get(String path) throws Exception {
        return client.send(
                        HttpRequest.newBuilder(URI.create(address + path)).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private HttpResponse<String> postForm(String path, Map<String, String> values) throws Exception {
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
}
