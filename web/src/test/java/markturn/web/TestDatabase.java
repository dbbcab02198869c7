package markturn.web;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

/** A private MariaDB for tests, started by the one command that starts it for people. */
public record TestDatabase(Path folder) {
    private static final Path COMMAND = Path.of("../mark-turn").toAbsolutePath().normalize();

    /** Starts a fresh database in that folder. */
    public static TestDatabase start(Path folder) throws IOException, InterruptedException {
        TestDatabase database = new TestDatabase(folder.toAbsolutePath().normalize());
        database.stop();
        if (Files.exists(database.folder)) {
            try (var files = Files.walk(database.folder)) {
                for (Path file :
                        files.sorted(java.util.Comparator.reverseOrder()).toList()) {
                    Files.delete(file);
                }
            }
        }
        database.run("start");
        return database;
    }

    /** Starts it again on the data it has. */
    public void startAgain() throws IOException, InterruptedException {
        run("start");
    }

    private void run(String what) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("bash", COMMAND.toString(), "database", what, folder.toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.INHERIT)
                .start();
        if (process.waitFor() != 0) {
            throw new IOException("the test database did not " + what);
        }
    }

    /** Ends it, if it runs. */
    public void stop() {
        try {
            if (Files.exists(folder)) {
                run("stop");
            }
        } catch (IOException failed) {
            throw new java.io.UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    /** The process id of the server. */
    public long pid() throws IOException {
        return Long.parseLong(Files.readString(folder.resolve("database.pid")).strip());
    }

    /** What the application needs to find it. */
    public Map<String, Object> properties() throws IOException {
        return Map.of(
                "spring.datasource.url",
                "jdbc:mariadb://127.0.0.1:"
                        + Files.readString(folder.resolve("database.port")).strip() + "/markturn",
                "spring.datasource.username",
                "markturn",
                "spring.datasource.password",
                Files.readString(folder.resolve("database.password")).strip(),
                "markturn.migration.user",
                "migration",
                "markturn.migration.password",
                Files.readString(folder.resolve("migration.password")).strip());
    }
}
