package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import markturn.web.House;
import markturn.web.TestDatabase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;

/** The whole database in one file, taken while the house runs, and brought back elsewhere. By the one command, as people do it. */
@ExtendWith(House.class)
class BackupTest {
    private static final List<String> TABLES = List.of("person", "job", "job_member", "entry");

    @TempDir
    private Path folder;

    private record Said(int status, String words) {}

    private static Said command(String... arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("bash", "../mark-turn"));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String words = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Said(process.waitFor(), words);
    }

    /** Every row of every table, in the tables' own order of keys. */
    private static List<String> rows(Map<String, Object> properties) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection(
                properties.get("spring.datasource.url").toString(),
                properties.get("spring.datasource.username").toString(),
                properties.get("spring.datasource.password").toString())) {
            for (String table : TABLES) {
                try (ResultSet all =
                        connection.createStatement().executeQuery("select * from " + table + " order by 1, 2")) {
                    int columns = all.getMetaData().getColumnCount();
                    while (all.next()) {
                        StringBuilder row = new StringBuilder(table);
                        for (int i = 1; i <= columns; i++) {
                            row.append('|').append(all.getString(i));
                        }
                        rows.add(row.toString());
                    }
                }
            }
        }
        return rows;
    }

    @Test
    void everyRowComesBackAndNothingIsOverwritten(House house) throws Exception {
        Job job = AlderWeir.blank();
        house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        TestDatabase running = new TestDatabase(House.DATA.toAbsolutePath());
        String file = folder.resolve("all.backup").toString();
        String elsewhere = folder.resolve("elsewhere").toString();

        Said written = command("backup", file, "--data", House.DATA.toString());
        assertThat(written.status()).as(written.words()).isZero();
        assertThat(written.words()).containsPattern("Backed up to .*: \\d+ jobs with \\d+ entries");
        assertThat(Files.getPosixFilePermissions(Path.of(file)).toString()).doesNotContain("GROUP", "OTHERS");
        Said again = command("backup", file, "--data", House.DATA.toString());
        assertThat(again.status()).isNotZero();
        assertThat(again.words()).contains("nothing is overwritten");

        Said restored = command("restore", file, "--data", elsewhere);
        assertThat(restored.status()).as(restored.words()).isZero();
        assertThat(restored.words()).contains("./mark-turn start --data " + elsewhere);
        TestDatabase copy = new TestDatabase(Path.of(elsewhere));
        copy.startAgain();
        try {
            assertThat(rows(copy.properties()))
                    .hasSizeGreaterThan(5)
                    .containsExactlyElementsOf(rows(running.properties()));
        } finally {
            copy.stop();
        }
        Said over = command("restore", file, "--data", elsewhere);
        assertThat(over.status()).isNotZero();
        assertThat(over.words()).contains("there is a database in " + elsewhere + " already");
    }

    @Test
    void whatIsNoBackupIsRefusedAndLeavesNothing(House house) throws Exception {
        String file = folder.resolve("whole.backup").toString();
        assertThat(command("backup", file, "--data", House.DATA.toString()).status())
                .isZero();
        byte[] whole = Files.readAllBytes(Path.of(file));
        Path elsewhere = folder.resolve("nothing");
        Map<String, byte[]> faulty = Map.of(
                "is damaged, or no backup", "a letter".getBytes(StandardCharsets.UTF_8),
                "is damaged", java.util.Arrays.copyOf(whole, whole.length / 2),
                "is no backup of this version", packed("select 1;\n"),
                "ends before its end", packed(unpacked(whole).replace("-- Dump completed", "-- cut")),
                "could not be read back",
                        packed("-- Mark Turn backup, version 1\nno such words;\n-- Dump completed\n"));
        for (Map.Entry<String, byte[]> each : faulty.entrySet()) {
            Path one = folder.resolve("faulty.backup");
            Files.write(one, each.getValue());
            Said said = command("restore", one.toString(), "--data", elsewhere.toString());
            assertThat(said.status()).as(each.getKey()).isNotZero();
            assertThat(said.words()).contains(each.getKey());
            assertThat(elsewhere.resolve("database")).doesNotExist();
        }
        assertThat(command("restore", folder.resolve("none").toString(), "--data", elsewhere.toString())
                        .words())
                .contains("there is no file");
        assertThat(command("backup", "--data", House.DATA.toString()).words()).contains("backup wants a file");
    }

    private static byte[] packed(String text) throws IOException {
        var bytes = new java.io.ByteArrayOutputStream();
        try (var out = new GZIPOutputStream(bytes)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    private static String unpacked(byte[] file) throws IOException {
        try (var in = new GZIPInputStream(new java.io.ByteArrayInputStream(file))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
