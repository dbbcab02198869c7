package markturn.bench;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.OpenFormat;
import markturn.formats.OpenFormats;
import markturn.report.Report;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;

/**
 * How long it takes to write a job of 200 setups and 5 000 readings in each open format, beside its job file; and its report as a page and
 * as PDF.
 */
public final class ExportsBench {
    private static final int SETUPS = 200;
    private static final int DETAIL = 17;
    private static final int ROUNDS = 9;
    private static final int SCALE = 500;

    private ExportsBench() {}

    /** No arguments. */
    public static void main(String[] arguments) throws FaultyFile {
        SurveyResult result =
                Survey.compute(JobFile.read(ChainOfSetups.job(SETUPS, DETAIL).getBytes(StandardCharsets.UTF_8)));
        double file = Double.NaN;
        for (OpenFormat format : OpenFormats.ALL) {
            if (format.isOffered(result.job())) {
                double time = median(() -> format.write(result, SCALE).orElseThrow());
                file = format == JobFile.FORMAT ? time : file;
                System.out.printf(
                        Locale.ROOT, "  %-22s %8.1f ms   %5.2f of the job file%n", format.name(), time, time / file);
            }
        }
        Report report = new Report(result, Optional.empty(), List.of(), Instant.EPOCH, "bench");
        double page = median(() -> report.html("report.css").getBytes());
        double paper = median(report::pdf);
        System.out.printf(Locale.ROOT, "  %-22s %8.1f ms%n", "report, page", page);
        System.out.printf(Locale.ROOT, "  %-22s %8.1f ms   %5.2f of the page%n", "report, PDF", paper, paper / page);
    }

    private static double median(Supplier<byte[]> write) {
        double[] times = new double[ROUNDS];
        for (int round = -ROUNDS; round < ROUNDS; round++) {
            long began = System.nanoTime();
            int length = write.get().length;
            double time = (System.nanoTime() - began) / 1e6;
            if (length == 0) {
                throw new IllegalStateException("nothing was written");
            }
            if (round >= 0) {
                times[round] = time;
            }
        }
        Arrays.sort(times);
        return times[ROUNDS / 2];
    }
}
