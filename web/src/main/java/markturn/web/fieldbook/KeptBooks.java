package markturn.web.fieldbook;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import markturn.fieldbook.BookedJob;

/**
 * The books that are in memory, by their job: as many as are estimated to fit. Where a long report needs the memory, they go before the
 * process does; whoever looks next reads them from disk.
 */
final class KeptBooks {
    /** How much of the heap they may fill, as {@link #weight} estimates them. */
    private static final double SHARE = 0.75;

    /** Bytes of an entry and its key; of a reading and of a mark, with what is computed of them. Measured, see docs/house.md. */
    private static final int ENTRY_BYTES = 300;

    private static final int READING_BYTES = 1300;
    private static final int MARK_BYTES = 300;

    private final Cache<String, BookedJob> kept = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE * Runtime.getRuntime().maxMemory()))
            .weigher((String jobId, BookedJob book) -> weight(book))
            .softValues()
            .build();

    /** The latest book of a job that is kept; it may be shorter than the job. */
    Optional<BookedJob> of(String jobId) {
        return Optional.ofNullable(kept.getIfPresent(jobId));
    }

    /** Keeps a book, where none as late is kept; answers the one that is kept then. */
    BookedJob keep(BookedJob book) {
        return kept.asMap()
                .merge(book.jobId(), book, (before, now) -> before.revision() >= now.revision() ? before : now);
    }

    void forget() {
        kept.invalidateAll();
    }

    /** About how much memory a book holds with what is computed of it, in bytes; docs/house.md tells how that was measured. */
    private static int weight(BookedJob book) {
        long readings = book.job().setups().stream()
                .mapToLong(setup -> setup.readings().size())
                .sum();
        long bytes = ENTRY_BYTES * (16L + book.entries().size())
                + READING_BYTES * readings
                + MARK_BYTES * (long) book.job().marks().size();
        return (int) Math.min(Integer.MAX_VALUE, bytes);
    }
}
