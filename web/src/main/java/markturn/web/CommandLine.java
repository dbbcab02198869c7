package markturn.web;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.wire.Fault;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.OpenFormat;
import markturn.formats.OpenFormats;
import markturn.formats.ResultFile;
import markturn.formats.Version;
import markturn.report.Report;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.Decision;
import org.springframework.boot.SpringApplication;

/** Where the program begins: {@code compute} and {@code convert} work on a job file without the application; otherwise it starts. */
public final class CommandLine {
    private static final int COMPUTED = 0;
    private static final int UNREADABLE = 2;

    private static final int PLAN_SCALE = 500;
    private static final String PDF = "pdf";

    private CommandLine() {}

    public static void main(String[] arguments) {
        if (arguments.length > 0 && arguments[0].equals("compute")) {
            System.exit(compute(Arrays.copyOfRange(arguments, 1, arguments.length), System.out, System.err));
        }
        if (arguments.length > 0 && arguments[0].equals("convert")) {
            System.exit(convert(Arrays.copyOfRange(arguments, 1, arguments.length), System.err));
        }
        if (arguments.length == 1 && arguments[0].equals("keep-classes")) {
            System.exit(keepClasses());
        }
        SpringApplication.run(WebApplication.class, arguments);
    }

    /** Works through what the commands ask for, with the demo job, so that a run can keep the classes of it. */
    static int keepClasses() {
        try {
            SurveyResult result = Survey.compute(JobFile.read(JobFile.write(AlderWeir.job())));
            ResultFile.write(result);
            OpenFormats.ALL.forEach(format -> format.write(result, PLAN_SCALE));
            return COMPUTED;
        } catch (FaultyFile impossible) {
            throw new IllegalStateException("the demo job cannot be read", impossible);
        }
    }

    /** Put together when somebody asks: whoever starts the pages needs no formats for it. */
    private static String expected() {
        return "convert takes a job file, a format and where to write: ./mark-turn convert JOB.json --to %s|pdf --output FILE"
                .formatted(OpenFormats.ALL.stream().map(OpenFormat::name).collect(Collectors.joining("|")));
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

    /**
     * Writes a computed job in an open format.
     *
     * @param arguments {@code JOB.json --to FORMAT --output FILE}, in any order
     * @return 0 written; 2 the file cannot be read or written, or the arguments are not understood, one line per fault on {@code err}
     */
    public static int convert(String[] arguments, PrintStream err) {
        Map<String, String> given = new HashMap<>();
        for (int i = 0; i < arguments.length; i++) {
            boolean named = arguments[i].equals("--to") || arguments[i].equals("--output");
            if (named && i + 1 < arguments.length) {
                given.put(arguments[i], arguments[++i]);
            } else if (given.putIfAbsent("job", arguments[i]) != null || named) {
                err.println(new Fault(arguments[i], "", expected()).line());
                return UNREADABLE;
            }
        }
        String to = given.getOrDefault("--to", "");
        Optional<OpenFormat> format = OpenFormats.named(to);
        if (format.isEmpty() && !to.equals(PDF) || !given.containsKey("job") || !given.containsKey("--output")) {
            err.println(expected());
            return UNREADABLE;
        }
        String at = given.get("job");
        try {
            SurveyResult result = Survey.compute(JobFile.read(read(Path.of(at))));
            Optional<byte[]> content = format.isEmpty()
                    ? Optional.of(report(result))
                    : format.get().write(result, PLAN_SCALE);
            if (content.isEmpty()) {
                err.println(
                        new Fault(at, "", "has no projection that reaches all its marks: " + to + " needs one").line());
                return UNREADABLE;
            }
            at = given.get("--output");
            Files.write(Path.of(at), content.get());
            return COMPUTED;
        } catch (FaultyFile faulty) {
            faulty.faults().forEach(fault -> err.println(fault.line()));
            return UNREADABLE;
        } catch (IOException | java.nio.file.InvalidPathException unusable) {
            err.println(new Fault(
                            at,
                            "",
                            "cannot be " + (at.equals(given.get("job")) ? "read; expected a job file" : "written"))
                    .line());
            return UNREADABLE;
        }
    }

    private static byte[] report(SurveyResult result) {
        return new Report(
                        result,
                        Optional.empty(),
                        result.job().decisions().stream()
                                .map(Decision::by)
                                .filter(name -> !name.isEmpty())
                                .distinct()
                                .map(name -> new Report.Person(name, "Decided"))
                                .toList(),
                        Instant.now(),
                        Version.program())
                .pdf();
    }

    /** One byte more than the largest file is enough to refuse a larger one. */
    private static byte[] read(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(JobFile.LARGEST_FILE + 1);
        }
    }
}
