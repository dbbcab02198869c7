package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.fieldbook.JobNamed;
import markturn.fieldbook.JobOpened;
import markturn.simulator.AlderWeir;
import markturn.survey.job.Job;
import org.junit.jupiter.api.Test;

/** Books in memory where something else needs it. Common practice, no source; the heap is that of a process of its own. */
class KeptBooksTest {
    private static final int MEGABYTE = 1 << 20;
    private static final int MOST = 2_000;

    private static BookedJob book(int number, Job job) {
        Entry opened = new Entry(1, "open", Instant.EPOCH, "wren", new JobOpened(job));
        BookedJob book = Assembly.with(Assembly.empty("job " + number, Computation::new), opened);
        book.result();
        return book;
    }

    /** Fills three quarters of a small heap with books, then takes what is said of it: as a long report does. */
    public static void main(String[] arguments) {
        KeptBooks kept = new KeptBooks();
        Job job = AlderWeir.job();
        long most = Runtime.getRuntime().maxMemory();
        int books = 0;
        while (books < MOST
                && Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory() < most * 3 / 4) {
            kept.keep(book(books++, job));
        }
        List<byte[]> report = new ArrayList<>();
        for (int i = 0; i < Integer.parseInt(arguments[0]); i++) {
            report.add(new byte[MEGABYTE]);
        }
        int after = 0;
        for (int i = 0; i < books; i++) {
            after += kept.of("job " + i).isPresent() ? 1 : 0;
        }
        kept.keep(book(books, job));
        System.out.println(books + " books, " + after + " after " + report.size() + " MB");
    }

    @Test
    void whatIsComputedGoesWhenNobodyAsks() {
        AtomicLong now = new AtomicLong();
        KeptBooks kept = new KeptBooks(now::get);
        BookedJob worked = kept.keep(book(1, AlderWeir.job()));
        now.addAndGet(KeptBooks.IN_USE.minusMinutes(1).toNanos());
        assertThat(kept.of("job 1")).containsSame(worked);
        now.addAndGet(KeptBooks.IN_USE.minusMinutes(1).toNanos());
        assertThat(kept.of("job 1"))
                .as("asked for a minute before its time was over")
                .containsSame(worked);

        now.addAndGet(KeptBooks.IN_USE.plusMinutes(1).toNanos());
        BookedJob rested = kept.of("job 1").orElseThrow();
        assertThat(rested).isNotSameAs(worked);
        assertThat(rested.entries()).isSameAs(worked.entries());
        assertThat(rested.result().measured().marks())
                .as("computed again from the same readings")
                .isEqualTo(worked.result().measured().marks());
        assertThat(kept.of("job 1")).as("in use again").containsSame(rested);
    }

    @Test
    void aBookThatWasLaidAsideStandsBehindALaterOne() {
        AtomicLong now = new AtomicLong();
        KeptBooks kept = new KeptBooks(now::get);
        BookedJob first = kept.keep(book(1, AlderWeir.job()));
        BookedJob later = Assembly.with(
                first,
                new Entry(2, "key-two", Instant.EPOCH, "wren", new JobNamed("Alder Weir again", "", "wren", "")));
        now.addAndGet(KeptBooks.IN_USE.plusMinutes(1).toNanos());
        kept.keep(later);
        assertThat(kept.of("job 1")).containsSame(later);
        kept.forget();
        assertThat(kept.of("job 1")).isEmpty();
    }

    @Test
    void theyGoBeforeTheProcessDoes() throws Exception {
        Process process = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-Xmx96m",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("java.class.path"),
                        KeptBooksTest.class.getName(),
                        "72")
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(said).matches("(?s)\\d+ books, \\d+ after 72 MB\\s*");
        assertThat(process.exitValue()).isZero();
    }
}
