package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the command says of options it cannot take: which, what stood there, what was expected; and nothing is made. No source. */
class StartOptionsTest {
    private static final Path COMMAND = Path.of("../mark-turn").toAbsolutePath().normalize();

    private record Said(int code, String words) {}

    private static Said run(List<String> arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("bash", COMMAND.toString()));
        command.addAll(arguments);
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Said(process.waitFor(), said);
    }

    @ParameterizedTest
    @CsvSource({
        "--heap, 255, 'a number of MB from 256, not ''255'''",
        "--heap, 1g, 'a number of MB from 256, not ''1g'''",
        "--heap, '', 'a number of MB from 256, not '''''",
        "--port, 0, 'a number from 1 to 65535, not ''0'''",
        "--port, 65536, 'a number from 1 to 65535, not ''65536'''",
        "--port, eighty, 'a number from 1 to 65535, not ''eighty'''",
        "--tls-port, -1, 'a number from 1 to 65535, not ''-1'''",
        "--address, everywhere, 'an address of this machine, such as 0.0.0.0, not ''everywhere'''",
        "--device-days, 91, 'a number of days from 1 to 90, not ''91'''",
        "--device-days, 0, 'a number of days from 1 to 90, not ''0'''",
        "--proxy, 'a name', 'the name under which the proxy is reached, not ''a name'''",
        "--database, localhost, 'an address such as mariadb://host:3306/markturn, not ''localhost'''",
        "--data, '', 'a folder'",
        "--certificate, '', 'a file'"
    })
    void whatIsWrongIsSaidAndNothingIsMade(String option, String value, String expected, @TempDir Path folder)
            throws Exception {
        Path data = folder.resolve("data");
        Said said = run(List.of("start", "--data", data.toString(), option, value));
        assertThat(said.code()).as(said.words()).isNotZero();
        assertThat(said.words()).contains(option + " wants " + expected);
        assertThat(Files.exists(data)).isFalse();
    }

    @Test
    void anOptionThatIsNoneIsNamed(@TempDir Path folder) throws Exception {
        Said said = run(List.of("start", "--data", folder.resolve("data").toString(), "--haep", "512"));
        assertThat(said.code()).isNotZero();
        assertThat(said.words()).contains("unknown option --haep").contains("--help");
        assertThat(folder).isEmptyDirectory();
    }

    @Test
    void helpNamesEveryOptionThatIsTaken() throws Exception {
        Said said = run(List.of("--help"));
        assertThat(said.code()).isZero();
        List<String> taken = Files.readAllLines(COMMAND).stream()
                .map(String::strip)
                .filter(line -> line.matches("--[a-z-]+\\) .*shift.*;;"))
                .map(line -> line.substring(0, line.indexOf(')')))
                .toList();
        assertThat(taken).contains("--heap", "--port", "--data");
        assertThat(taken).allSatisfy(option -> assertThat(said.words()).contains(option));
    }
}
