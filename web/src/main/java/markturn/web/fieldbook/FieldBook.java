package markturn.web.fieldbook;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import markturn.formats.JobFile;
import markturn.survey.job.Job;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The one way to a job. An entry is added under a lock on its job, so that two people booking at once come one after the other; when
 * {@link #add} returns, it is on disk. Books are kept by revision, so that one more reading does not read the job again.
 */
@Service
public class FieldBook {
    private static final int BOOKS_KEPT = 50;
    private static final int LONGEST_KEY = 70;

    private final StoredJobs jobs;
    private final StoredEntries entries;
    private final TransactionTemplate transaction;
    private final JsonMapper json = JsonMapper.builder().build();
    private final Cache<String, Book> kept =
            Caffeine.newBuilder().maximumSize(BOOKS_KEPT).build();

    FieldBook(StoredJobs jobs, StoredEntries entries, PlatformTransactionManager transactions) {
        this.jobs = jobs;
        this.entries = entries;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** A job as its list shows it. */
    public record Listed(String id, String title, Instant openedAt, long revision) {}

    /** The jobs of a member, the newest first. */
    public List<Listed> jobsOf(String member) {
        return jobs.ofMember(member).stream()
                .map(j -> new Listed(j.id(), j.title(), j.openedAt(), j.lastSequence()))
                .toList();
    }

    /** Whether no job has been opened yet. */
    public boolean isEmpty() {
        return jobs.count() == 0;
    }

    /**
     * Opens a job.
     *
     * @param job as it begins: empty, or from a file
     * @param members sign-in names of who may see it
     * @return its id, which cannot be guessed
     */
    public String open(Job job, String by, Set<String> members) {
        String id = UUID.randomUUID().toString();
        JsonNode payload = json.readTree(JobFile.write(job));
        transaction.executeWithoutResult(status -> {
            StoredJob stored = jobs.save(new StoredJob(id, job.name(), now(), members));
            long sequence = stored.nextSequence();
            Entry entry = new Entry(sequence, "open", now(), by, EntryKind.OPEN, payload);
            Assembly.with(Assembly.empty(id), entry);
            store(id, entry);
        });
        return id;
    }

    /**
     * Adds an entry. The same key again adds nothing.
     *
     * @param key given by the page, at most 60 characters
     * @param by sign-in name of a member
     * @return the book with the entry in it
     * @throws Refused where it contradicts what stands; nothing is stored then
     * @throws NoSuchJob where there is no such job for this person
     */
    public Book add(String jobId, String key, String by, EntryKind kind, JsonNode payload) {
        return add(jobId, key, by, List.of(new Act(kind, payload)));
    }

    /**
     * Adds entries that belong together: all of them, or none. The same key again adds nothing.
     *
     * @param key of the last one; the others have it with their number behind
     */
    public Book add(String jobId, String key, String by, List<Act> acts) {
        return add(jobId, key, by, acts, share -> {});
    }

    /**
     * Adds what follows from the book as it stands when its turn comes, so that of two who change the same thing at once neither is lost.
     *
     * @param acts from the book under the lock, at least one
     */
    public Book add(String jobId, String key, String by, Function<Book, List<Act>> acts) {
        return add(jobId, key, by, acts, share -> {});
    }

    /**
     * The same of many.
     *
     * @param progress told how much is done, 0 to 1; where it throws, nothing is stored
     */
    public Book add(String jobId, String key, String by, List<Act> acts, DoubleConsumer progress) {
        return add(jobId, key, by, book -> acts, progress);
    }

    private Book add(String jobId, String key, String by, Function<Book, List<Act>> from, DoubleConsumer progress) {
        if (key == null || key.isBlank() || key.length() > LONGEST_KEY) {
            throw new Refused(
                    "", "The page is too old, or was made by something else: reload it; what you typed stays");
        }
        Book next = transaction.execute(status -> {
            StoredJob job = jobs.findForBooking(jobId, by).orElseThrow(NoSuchJob::new);
            Book book = upTo(jobId, job.lastSequence());
            List<Act> acts = from.apply(book);
            Optional<Entry> stored = book.entry(key);
            if (stored.isPresent()) {
                Resent.requireSame(stored.get(), acts.get(acts.size() - 1));
                return book;
            }
            for (int i = 0; i < acts.size(); i++) {
                String its = i == acts.size() - 1 ? key : key + "/" + i;
                Act act = acts.get(i);
                PenHeld.require(book, act);
                Entry entry = new Entry(job.nextSequence(), its, now(), by, act.kind(), act.payload());
                book = Assembly.with(book, entry);
                store(jobId, entry);
                progress.accept((i + 1.0) / acts.size());
            }
            return book;
        });
        kept.put(jobId, next);
        return next;
    }

    /**
     * What an entry would make of a book, without adding it.
     *
     * @throws Refused where it contradicts what stands
     */
    public Book preview(Book book, String by, EntryKind kind, JsonNode payload) {
        return preview(book, by, List.of(new Act(kind, payload)));
    }

    /** The same of entries that belong together. */
    public Book preview(Book book, String by, List<Act> acts) {
        Book longer = book;
        for (Act act : acts) {
            longer = Assembly.with(
                    longer, new Entry(longer.revision() + 1, "preview", now(), by, act.kind(), act.payload()));
        }
        return longer;
    }

    private void store(String jobId, Entry entry) {
        entries.save(new StoredEntry(
                jobId,
                entry.sequence(),
                entry.key(),
                entry.at(),
                entry.by(),
                entry.kind().stored(),
                json.writeValueAsString(entry.payload())));
    }

    /** The job as it stands; empty where there is none for this person. */
    public Optional<Book> find(String jobId, String member) {
        return jobs.lastSequence(jobId, member).map(last -> {
            Book book = upTo(jobId, last);
            kept.put(jobId, book);
            return book;
        });
    }

    /** The job as it stands. */
    public Book book(String jobId, String member) {
        return find(jobId, member).orElseThrow(NoSuchJob::new);
    }

    private Book upTo(String jobId, long last) {
        Book book = kept.getIfPresent(jobId);
        if (book == null) {
            book = Assembly.empty(jobId);
        }
        if (book.revision() < last) {
            for (StoredEntry stored : entries.after(jobId, book.revision())) {
                book = Assembly.with(book, entry(stored));
            }
        }
        return book;
    }

    private Entry entry(StoredEntry stored) {
        return new Entry(
                stored.sequence(),
                stored.entryKey(),
                stored.bookedAt(),
                stored.bookedBy(),
                EntryKind.of(stored.kind()),
                json.readTree(stored.payload()));
    }

    /** Lets go of the books in memory; the next look reads them from disk. */
    void forgetKept() {
        kept.invalidateAll();
    }

    private static Instant now() {
        return Instant.now().truncatedTo(ChronoUnit.MILLIS);
    }
}
