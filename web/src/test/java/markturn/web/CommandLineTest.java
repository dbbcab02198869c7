package markturn.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
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

    private int convert(String... arguments) {
        return CommandLine.convert(arguments, new PrintStream(err, true));
    }

    @Test
    void aJobIsConvertedToEachFormat() throws IOException {
        Path file = folder.resolve("job.json");
        Files.write(file, JobFile.write(AlderWeir.job()));
        Map<String, String> begins =
                Map.of("csv", "name,kind,northing_m", "geojson", "{", "landxml", "<?xml", "dxf", "999", "pdf", "%PDF-");
        for (Map.Entry<String, String> format : begins.entrySet()) {
            Path to = folder.resolve("out." + format.getKey());
            assertThat(convert(file.toString(), "--to", format.getKey(), "--output", to.toString()))
                    .as(format.getKey())
                    .isZero();
            assertThat(new String(Files.readAllBytes(to), StandardCharsets.ISO_8859_1).strip())
                    .startsWith(format.getValue());
        }
        assertThat(err.size()).isZero();
    }

    /** What the first run of a build keeps its classes of. */
    @Test
    void theDemoJobGoesThroughEveryFormat() {
        assertThat(CommandLine.keepClasses()).isZero();
    }

    @Test
    void whatCannotBeConvertedIsStatusTwo() throws IOException {
        Path file = folder.resolve("bad.json");
        Files.writeString(file, "{\"format\": \"mark-turn-job\", \"version\": 1, \"marks\": [], \"setups\": []}");
        Path to = folder.resolve("out");
        assertThat(convert(file.toString(), "--to", "csv", "--output", to.toString()))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8))
                .contains("$.units: missing")
                .doesNotContain("\tat ");
        assertThat(to).doesNotExist();
        assertThat(convert(file.toString(), "--to", "gold", "--output", to.toString()))
                .isEqualTo(2);
        assertThat(convert(file.toString(), "--to", "csv")).isEqualTo(2);
        assertThat(convert("a", "b", "--to", "csv", "--output", "c")).isEqualTo(2);
        assertThat(convert(folder.resolve("none").toString(), "--to", "csv", "--output", to.toString()))
                .isEqualTo(2);
        Files.write(file, JobFile.write(AlderWeir.blank()));
        assertThat(convert(
                        file.toString(),
                        "--to",
                        "csv",
                        "--output",
                        folder.resolve("no/where").toString()))
                .isEqualTo(2);
    }
}
