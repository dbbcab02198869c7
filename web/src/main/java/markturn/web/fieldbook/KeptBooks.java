package markturn.web.fieldbook;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import com.github.benmanes.caffeine.cache.Scheduler;
import com.github.benmanes.caffeine.cache.Ticker;
import java.time.Duration;
import java.util.Optional;
import markturn.fieldbook.BookedJob;

/**
 * The books that are in memory, by their job: as many as are estimated to fit. Those that somebody works with are kept with what is
 * computed of them; one that nobody has asked for in a while, or that finds no room among these, is laid aside without it. Where a long
 * report needs the memory, they go before the process does; whoever looks next reads them from disk.
 */
final class KeptBooks {
    /** So long a book that nobody asks for keeps what is computed of it: the way to the next setup, a meal. */
    static final Duration IN_USE = Duration.ofHours(1);

    /** How much of the heap those in use may fill, and those laid aside, as {@link #bare} and {@link #computed} estimate them. */
    private static final double SHARE_IN_USE = 0.75;

    private static final double SHARE_ASIDE = 0.1;

    /** Bytes of an entry and its key; of a reading and of a mark, and of what is computed of each. Measured, see docs/house.md. */
    private static final int ENTRY_BYTES = 200;

    private static final int READING_BYTES = 200;
    private static final int MARK_BYTES = 100;
    private static final int READING_COMPUTED_BYTES = 600;
    private static final int MARK_COMPUTED_BYTES = 150;

    private final Cache<String, BookedJob> aside;
    private final Cache<String, BookedJob> inUse;

    KeptBooks() {
        this(Ticker.systemTicker());
    }

    /** @param ticker tells the time by which books are laid aside */
    KeptBooks(Ticker ticker) {
        double heap = Runtime.getRuntime().maxMemory();
        this.aside = Caffeine.newBuilder()
                .maximumWeight((long) (SHARE_ASIDE * heap))
                .weigher((String jobId, BookedJob book) -> weight(bare(book)))
                .softValues()
                .build();
        this.inUse = Caffeine.newBuilder()
                .maximumWeight((long) (SHARE_IN_USE * heap))
                .weigher((String jobId, BookedJob book) -> weight(bare(book) + computed(book)))
                .expireAfterAccess(IN_USE)
                .ticker(ticker)
                // On time, also where nobody asks for any book.
                .scheduler(Scheduler.systemScheduler())
                .softValues()
                .evictionListener(this::layAside)
                .build();
    }

    /** @param book null where the memory was needed for something else */
    private void layAside(String jobId, BookedJob book, RemovalCause cause) {
        if (book != null) {
            aside.put(jobId, book.laidAside());
        }
    }

    /** The latest book of a job that is kept; it may be shorter than the job. */
    Optional<BookedJob> of(String jobId) {
        BookedJob working = inUse.getIfPresent(jobId);
        if (working != null) {
            return Optional.of(working);
        }
        // What has had its time is laid aside here and now, not when the cache finds the leisure.
        inUse.cleanUp();
        Optional<BookedJob> resting =
                Optional.ofNullable(aside.getIfPresent(jobId)).map(this::keep);
        aside.invalidate(jobId);
        return resting;
    }

    /** Keeps a book, where none as late is kept; answers the one that is kept then. */
    BookedJob keep(BookedJob book) {
        return inUse.asMap()
                .merge(book.jobId(), book, (before, now) -> before.revision() >= now.revision() ? before : now);
    }

    void forget() {
        inUse.invalidateAll();
        aside.invalidateAll();
    }

    private static int weight(long bytes) {
        return (int) Math.min(Integer.MAX_VALUE, bytes);
    }

    /** About how much memory a book holds, in bytes; docs/house.md tells how that was measured. */
    private static long bare(BookedJob book) {
        return ENTRY_BYTES * (16L + book.entries().size())
                + READING_BYTES * readings(book)
                + MARK_BYTES * (long) book.job().marks().size();
    }

    /** About how much memory what is computed of it holds, in bytes. */
    private static long computed(BookedJob book) {
        return READING_COMPUTED_BYTES * readings(book)
                + MARK_COMPUTED_BYTES * (long) book.job().marks().size();
    }

    private static long readings(BookedJob book) {
        return book.job().setups().stream()
                .mapToLong(setup -> setup.readings().size())
                .sum();
    }
}
