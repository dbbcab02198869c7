package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import markturn.formats.JobFile;
import markturn.formats.ResultFile;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CommandLineTest {
    @TempDir
    private Path folder;

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int compute(String... arguments) {
        return CommandLine.compute(arguments, new PrintStream(out, true), new PrintStream(err, true));
    }

    @Test
    void aComputedJobIsWrittenAndItsStopsAreSaid() throws IOException {
        Path file = folder.resolve("job.json");
        Files.write(file, JobFile.write(AlderWeir.job()));
        assertThat(compute(file.toString())).isZero();
        // The same code as the screens: to the last byte what they compute.
        assertThat(out.toString(StandardCharsets.UTF_8).strip())
                .isEqualTo(
                        new String(ResultFile.write(Survey.compute(AlderWeir.job())), StandardCharsets.UTF_8).strip());
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("stop backsight-drift: ")
                .contains("stop set-residual: ");
    }

    @Test
    void whatCannotBeReadIsStatusTwoAndOneLineAFault() throws IOException {
        Path file = folder.resolve("bad.json");
        Files.writeString(file, "{\"format\": \"mark-turn-job\", \"version\": 1, \"marks\": [], \"setups\": [{}]}");
        assertThat(compute(file.toString())).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("$.units: missing")
                .contains("$.setups[0].name: missing")
                .doesNotContain("\tat ");
        assertThat(out.size()).isZero();
        assertThat(compute(folder.resolve("nothing").toString())).isEqualTo(2);
        assertThat(compute()).isEqualTo(2);
        assertThat(compute("a", "b")).isEqualTo(2);
        assertThat(compute(folder.toString())).isEqualTo(2);
    }
}
