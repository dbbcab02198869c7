package markturn.web.deliver;

import jakarta.annotation.PreDestroy;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import markturn.fieldbook.BookedJob;
import markturn.formats.OpenFormat;
import markturn.formats.OpenFormats;
import markturn.survey.SurveyResult;
import markturn.web.frame.HeavyWork;
import markturn.web.frame.LongWork;
import org.springframework.stereotype.Component;

/** Files that take long to make, made beside the pages in their turn. The work ends where whoever asked cancels it or has left. */
@Component
class MadeFiles {
    /** The page that waits asks every second. */
    private static final Duration LEAVING = Duration.ofSeconds(30);

    private static final int AT_ONCE = 2;
    private static final int KEPT = 4;

    private final LongWork<Asked, byte[]> works =
            new LongWork<>("files", AT_ONCE, KEPT, Duration.ofSeconds(3), LEAVING);
    private final Reports reports;
    private final HeavyWork heavy;

    MadeFiles(Reports reports, HeavyWork heavy) {
        this.reports = reports;
        this.heavy = heavy;
    }

    /** Which file. */
    enum Kind {
        REPORT,
        EVERYTHING
    }

    /**
     * What is asked for, and by whom.
     *
     * @param state of the job and its series, as {@link Reports#state} says
     * @param scale of the drawing in it
     */
    record Asked(String person, String job, String state, Kind kind, int scale) {}

    /** How long a page waits before it shows how far the work is. */
    void setPatience(Duration patience) {
        works.setPatience(patience);
    }

    /**
     * The file, if it is there soon; begun where it was not.
     *
     * @throws HeavyWork.Busy where another of that person's is being made
     */
    Optional<byte[]> soon(Asked asked, BookedJob book) {
        return works.soon(
                asked,
                reached -> heavy.inTurn(
                        asked.person(),
                        () -> asked.kind() == Kind.REPORT
                                ? reports.of(book, asked.person(), part(reached, 0, 0.5))
                                        .pdf(part(reached, 0.5, 1))
                                : zipped(book, asked, reached)));
    }

    LongWork<Asked, byte[]> works() {
        return works;
    }

    private static DoubleConsumer part(DoubleConsumer of, double from, double to) {
        return share -> of.accept(from + (to - from) * share);
    }

    private byte[] zipped(BookedJob book, Asked asked, DoubleConsumer reached) throws IOException {
        SurveyResult result = book.resultInTheEnd();
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (OpenFormat format : OpenFormats.ALL) {
            format.write(result, asked.scale()).ifPresent(content -> files.put(format.ending(asked.scale()), content));
            reached.accept(0.2 * files.size() / OpenFormats.ALL.size());
        }
        files.put(
                "report.pdf",
                reports.of(book, asked.person(), part(reached, 0.2, 0.5)).pdf(part(reached, 0.5, 1)));
        ByteArrayOutputStream zipped = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(zipped)) {
            for (Map.Entry<String, byte[]> each : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue());
                zip.closeEntry();
            }
        }
        return zipped.toByteArray();
    }

    @PreDestroy
    void close() {
        works.close();
    }
}
