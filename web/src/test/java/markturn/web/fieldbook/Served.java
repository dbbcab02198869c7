package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.ConnectException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import markturn.web.CommandLine;
import markturn.web.TestDatabase;

/** The application as a process of its own, so that it can be killed. */
record Served(Process process, String address) {
    /** Four minutes: a start takes some ten seconds, and beyond a minute where a machine has much else to do. */
    private static final int MOST_TRIES = 2400;

    private static final int BETWEEN_TRIES = 100;

    /** Starts it on a database and waits until it answers. */
    static Served start(TestDatabase database, String log, String... settings) throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                CommandLine.class.getName(),
                "--server.port=" + port,
                "--markturn.password-strength=4",
                "--spring.datasource.hikari.connection-timeout=400"));
        database.properties().forEach((key, value) -> command.add("--" + key + "=" + value));
        command.addAll(List.of(settings));
        Served served = new Served(
                new ProcessBuilder(command)
                        .redirectErrorStream(true)
                        .redirectOutput(Path.of("target", log).toFile())
                        .start(),
                "http://127.0.0.1:" + port);
        HttpClient client = HttpClient.newHttpClient();
        for (int i = 0; i < MOST_TRIES; i++) {
            try {
                client.send(
                        HttpRequest.newBuilder(URI.create(served.address() + "/sign-in"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
                return served;
            } catch (ConnectException notYet) {
                assertThat(served.process().isAlive())
                        .as("the application, see target/" + log)
                        .isTrue();
                Thread.sleep(BETWEEN_TRIES);
            }
        }
        throw new IllegalStateException("the application does not answer");
    }

    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }
}
