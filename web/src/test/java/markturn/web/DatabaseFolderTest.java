package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What start does to a folder: it makes a database where there is none, and empties nothing. */
class DatabaseFolderTest {
    private static final Path COMMAND = Path.of("../mark-turn").toAbsolutePath().normalize();

    private static String run(int expected, String... arguments) throws IOException, InterruptedException {
        String[] command = new String[arguments.length + 2];
        command[0] = "bash";
        command[1] = COMMAND.toString();
        System.arraycopy(arguments, 0, command, 2, arguments.length);
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isEqualTo(expected);
        return said;
    }

    @Test
    void whatIsNoDatabaseOfOursIsNotTouched(@TempDir Path folder) throws Exception {
        Path letter = folder.resolve("database/letter");
        Files.createDirectories(letter.getParent());
        Files.writeString(letter, "precious");
        assertThat(run(1, "database", "start", folder.toString())).contains("Nothing was touched");
        assertThat(letter).hasContent("precious");
    }

    @Test
    void aStartThatWasCutShortHealsAndADatabaseThatDiedComesBackOnItsPort(@TempDir Path folder) throws Exception {
        Files.createDirectories(folder.resolve("database.half-made/mysql"));
        try {
            run(0, "database", "start", folder.toString());
            assertThat(folder.resolve("database/mysql")).isDirectory();
            assertThat(folder.resolve("database.half-made")).doesNotExist();
            String port = Files.readString(folder.resolve("database.port"));
            ProcessHandle database = ProcessHandle.of(Long.parseLong(Files.readString(folder.resolve("database.pid"))))
                    .orElseThrow();
            database.destroyForcibly();
            database.onExit().get();
            // The marker of older folders is gone: nothing is made anew because of it.
            Path kept = folder.resolve("database/kept");
            Files.writeString(kept, "still here");
            run(0, "database", "start", folder.toString());
            assertThat(Files.readString(folder.resolve("database.port"))).isEqualTo(port);
            assertThat(kept).hasContent("still here");
        } finally {
            run(0, "database", "stop", folder.toString());
        }
    }

    /** Those made at once took each other's temporary tables away while these lay in one folder: of three, one was often not made. */
    @Test
    void severalThatAreMadeAtOnceAreAllWhole(@TempDir Path folder) throws Exception {
        List<Path> houses =
                Stream.of("one", "two", "three").map(folder::resolve).toList();
        try {
            List<Process> starts = new ArrayList<>();
            for (Path house : houses) {
                starts.add(new ProcessBuilder("bash", COMMAND.toString(), "database", "start", house.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(
                                folder.resolve(house.getFileName() + ".log").toFile())
                        .start());
            }
            for (Process start : starts) {
                assertThat(start.waitFor()).isZero();
            }
        } finally {
            for (Path house : houses) {
                run(0, "database", "stop", house.toString());
            }
        }
    }

    @Test
    void aDatabaseElsewhereIsAskedForWithAPasswordThatOthersCannotRead(@TempDir Path folder) throws Exception {
        assertThat(run(1, "start", "--database", "db.example.org")).contains("--database wants an address such as");
        String[] start = {"start", "--data", folder.resolve("copy").toString(), "--database", "mariadb://db/markturn"};
        assertThat(run(1, start)).contains("wants --database-credentials FILE");
        Path credentials = folder.resolve("db.txt");
        Files.writeString(credentials, "user=pages\n");
        String[] with = Arrays.copyOf(start, start.length + 2);
        with[start.length] = "--database-credentials";
        with[start.length + 1] = credentials.toString();
        Files.setPosixFilePermissions(credentials, PosixFilePermissions.fromString("rw-r--r--"));
        assertThat(run(1, with)).contains("others can read");
        Files.setPosixFilePermissions(credentials, PosixFilePermissions.fromString("rw-------"));
        assertThat(run(1, with)).contains("has no line user=... or password=...");
        assertThat(folder.resolve("copy")).doesNotExist();
    }
}
