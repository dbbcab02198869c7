package markturn.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import markturn.formats.Fault;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.ResultFile;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.Finding;
import org.springframework.boot.SpringApplication;

/** Where the program begins: {@code serve} starts the application, {@code compute} computes a job file without it. */
public final class CommandLine {
    private static final int COMPUTED = 0;
    private static final int UNREADABLE = 2;

    private CommandLine() {}

    public static void main(String[] arguments) {
        if (arguments.length > 0 && arguments[0].equals("compute")) {
            System.exit(compute(Arrays.copyOfRange(arguments, 1, arguments.length), System.out, System.err));
        }
        SpringApplication.run(WebApplication.class, arguments);
    }

    /**
     * Computes one job file.
     *
     * @return 0 computed, whatever it found; 2 the file cannot be read, one line per fault on {@code err}
     */
    public static int compute(String[] arguments, PrintStream out, PrintStream err) {
        if (arguments.length != 1) {
            err.println("compute takes one job file: ./mark-turn compute JOB.json");
            return UNREADABLE;
        }
        try {
            SurveyResult result = Survey.compute(JobFile.read(read(Path.of(arguments[0]))));
            out.writeBytes(ResultFile.write(result));
            out.println();
            out.flush();
            result.findings().stream()
                    .filter(f -> f.severity() == Finding.Severity.STOP)
                    .forEach(f -> err.println("stop " + f.code() + ": " + f.text()));
            return COMPUTED;
        } catch (FaultyFile faulty) {
            faulty.faults().forEach(fault -> err.println(fault.line()));
            return UNREADABLE;
        } catch (IOException | java.nio.file.InvalidPathException unreadable) {
            err.println(new Fault(arguments[0], "", "cannot be read; expected a job file").line());
            return UNREADABLE;
        }
    }

    /** One byte more than the largest file is enough to refuse a larger one. */
    private static byte[] read(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(JobFile.LARGEST_FILE + 1);
        }
    }
}
