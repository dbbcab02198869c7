package markturn.web.fieldbook;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import markturn.fieldbook.Admission;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Booker;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.JobOpened;
import markturn.fieldbook.KeyTaken;
import markturn.fieldbook.NotAllowed;
import markturn.fieldbook.Refused;
import markturn.fieldbook.wire.JobWriter;
import markturn.formats.JsonTrees;
import markturn.survey.job.Job;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Where books are stored, and the one way to a job. An entry is added under a lock on its job, so that two people booking at once come one
 * after the other; when {@link #add} returns, it is on disk. Books are kept by revision, so that one more reading does not read the job
 * again. What an entry is, whether it is admitted and what it makes of a job is said in {@code markturn.fieldbook}.
 */
@Service
public class FieldBook {
    /** Rows read at once where a job is opened, so that its text never lies in memory as a whole. */
    private static final int ROWS_AT_ONCE = 2000;

    /** Key of the entry that opens a job. */
    private static final String OPEN = "open";

    private final StoredJobs jobs;
    private final StoredEntries entries;
    private final StoredMembers members;
    private final Bookers bookers;
    private final ApplicationEventPublisher told;
    private final TransactionTemplate transaction;
    private final KeptBooks kept = new KeptBooks();
    /** Jobs being opened: six people who open one at once wait for one reading of it. */
    private final Map<String, Object> opening = new ConcurrentHashMap<>();

    FieldBook(
            StoredJobs jobs,
            StoredEntries entries,
            StoredMembers members,
            Bookers bookers,
            ApplicationEventPublisher told,
            PlatformTransactionManager transactions) {
        this.told = told;
        this.jobs = jobs;
        this.entries = entries;
        this.members = members;
        this.bookers = bookers;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Whether no job has been opened yet. */
    public boolean isEmpty() {
        return jobs.count() == 0;
    }

    /**
     * Opens a job.
     *
     * @param job as it begins: empty, or from a file
     * @param by sign-in name of who opens it
     * @param members sign-in names of who may see it
     * @return its id, which cannot be guessed
     * @throws NotAllowed where whoever opens it is no surveyor
     */
    public String open(Job job, String by, Set<String> members) {
        return open(UUID.randomUUID().toString(), job, by, members);
    }

    /**
     * The same for a page: sent again, because its answer was lost, it opens no second job.
     *
     * @param key given by the page
     * @throws KeyTaken where whoever opens it opened another job under that key
     */
    public String open(String key, Job job, String by, Set<String> members) {
        Admission.requireKey(key);
        String id = UUID.nameUUIDFromBytes((by + " " + key).getBytes(StandardCharsets.UTF_8))
                .toString();
        JobOpened payload = new JobOpened(job);
        Admission.requireRight(payload, bookers.booker(by));
        if (isOpenedNow(id, payload, by, members)) {
            told.publishEvent(new Booked(id, 1));
        } else {
            find(id, by).flatMap(book -> book.entry(OPEN)).ifPresent(entry -> Admission.requireSame(entry, payload));
        }
        return id;
    }

    /** Whether no job of that id was there before. */
    private boolean isOpenedNow(String id, JobOpened payload, String by, Set<String> members) {
        try {
            return Boolean.TRUE.equals(transaction.execute(status -> {
                if (jobs.lastSequence(id).isPresent()) {
                    return false;
                }
                Instant at = now();
                StoredJob stored = jobs.save(new StoredJob(id, payload.job().name(), at, members));
                store(empty(id), new Entry(stored.nextSequence(), OPEN, at, by, payload));
                told.publishEvent(new Opened(id, payload.job(), at, by));
                return true;
            }));
        } catch (DataIntegrityViolationException sentTwiceAtOnce) {
            if (jobs.lastSequence(id).isPresent()) {
                return false;
            }
            throw sentTwiceAtOnce;
        }
    }

    /** Adds an entry. The same key again adds nothing. Else as the next. */
    public BookedJob add(String jobId, String key, String by, EntryPayload payload) {
        return add(jobId, key, by, List.of(payload));
    }

    /**
     * Adds entries that belong together: all of them, or none. The same key again adds nothing.
     *
     * @param key given by the page; of the last one, the others have it with their number behind
     * @param by sign-in name of a member
     * @return the book with the entries in it
     * @throws Refused where one contradicts what stands; nothing is stored then
     * @throws NotAllowed where whoever sends it may not book that
     * @throws KeyTaken where something else is stored under the key
     * @throws NoSuchJob where there is no such job for this person
     */
    public BookedJob add(String jobId, String key, String by, List<? extends EntryPayload> payloads) {
        return add(jobId, key, by, payloads, share -> {});
    }

    /**
     * Adds what follows from the book as it stands when its turn comes, so that of two who change the same thing at once neither is lost.
     *
     * @param payloads from the book under the lock; none adds nothing
     */
    public BookedJob add(
            String jobId, String key, String by, Function<BookedJob, List<? extends EntryPayload>> payloads) {
        return add(jobId, key, by, payloads, share -> {});
    }

    /**
     * The same of many.
     *
     * @param progress told how much is done, 0 to 1; where it throws, nothing is stored
     */
    public BookedJob add(
            String jobId, String key, String by, List<? extends EntryPayload> payloads, DoubleConsumer progress) {
        return add(jobId, key, by, book -> payloads, progress);
    }

    private BookedJob add(
            String jobId,
            String key,
            String by,
            Function<BookedJob, List<? extends EntryPayload>> from,
            DoubleConsumer progress) {
        return add(jobId, key, by, Optional.empty(), from, progress);
    }

    /**
     * Adds what was booked on a device without a connection: entries that belong together, all of them or none. The same key again adds
     * nothing.
     *
     * @param onDevice what the device's clock said
     * @param payloads as they were written there, read in the units of the job
     */
    public BookedJob arrive(
            String jobId,
            String key,
            String by,
            Instant onDevice,
            Function<BookedJob, List<? extends EntryPayload>> payloads) {
        return add(jobId, key, by, Optional.of(onDevice), payloads, share -> {});
    }

    private BookedJob add(
            String jobId,
            String key,
            String by,
            Optional<Instant> onDevice,
            Function<BookedJob, List<? extends EntryPayload>> from,
            DoubleConsumer progress) {
        Admission.requireKey(key);
        Booker booker = booker(jobId, by);
        if (kept.of(jobId).isEmpty()) {
            // Opened before the row is locked, or everybody who books here would wait for the reading.
            find(jobId, by);
        }
        BookedJob next = transaction.execute(status -> {
            StoredJob job = jobs.findForBooking(jobId, by).orElseThrow(NoSuchJob::new);
            BookedJob book = upTo(jobId, job.lastSequence());
            List<? extends EntryPayload> payloads = from.apply(book);
            Optional<Entry> stored = book.entry(key);
            if (stored.isPresent()) {
                if (!payloads.isEmpty()) {
                    Admission.requireSame(stored.get(), payloads.get(payloads.size() - 1));
                }
                return book;
            }
            for (int i = 0; i < payloads.size(); i++) {
                String its = i == payloads.size() - 1 ? key : key + "/" + i;
                Admission.require(book, payloads.get(i), booker);
                Entry entry = new Entry(job.nextSequence(), its, now(), onDevice, by, payloads.get(i));
                store(book, entry);
                book = Assembly.with(book, entry);
                progress.accept((i + 1.0) / payloads.size());
            }
            job.call(book.job().name());
            return book;
        });
        told.publishEvent(new Booked(jobId, next.revision()));
        return kept.keep(next);
    }

    /**
     * What entries would make of a book, without adding them.
     *
     * @throws Refused where one contradicts what stands
     */
    public BookedJob preview(BookedJob book, String by, EntryPayload... payloads) {
        return Admission.preview(book, by, now(), payloads);
    }

    private void store(BookedJob before, Entry entry) {
        EntryPayload payload = entry.payload();
        entries.save(new StoredEntry(
                before.jobId(),
                entry,
                JsonTrees.line(payload.written(new JobWriter(before.job().units())))));
    }

    /** The job as it stands; empty where there is none for this person. */
    public Optional<BookedJob> find(String jobId, String member) {
        return jobs.lastSequence(jobId, member).map(last -> {
            if (kept.of(jobId).isPresent()) {
                return kept.keep(upTo(jobId, last));
            }
            Object turn = opening.computeIfAbsent(jobId, id -> new Object());
            synchronized (turn) {
                try {
                    return kept.keep(upTo(jobId, last));
                } finally {
                    opening.remove(jobId, turn);
                }
            }
        });
    }

    /** What a job is called; empty where somebody is no member of it. */
    public Optional<String> title(String jobId, String member) {
        return jobs.title(jobId, member);
    }

    /** The jobs of a member that are called so. */
    public List<String> called(String title, String member) {
        return jobs.called(title, member);
    }

    /** The job as it stands. */
    public BookedJob book(String jobId, String member) {
        return find(jobId, member).orElseThrow(NoSuchJob::new);
    }

    /**
     * The job as it stands, for what the house makes of it by itself. Asks nobody's right: no page shows it.
     *
     * @throws NoSuchJob where there is none
     */
    public BookedJob forTheHouse(String jobId) {
        return upTo(jobId, jobs.lastSequence(jobId).orElseThrow(NoSuchJob::new));
    }

    private static BookedJob empty(String jobId) {
        return Assembly.empty(jobId, Computation::new);
    }

    private BookedJob upTo(String jobId, long last) {
        BookedJob book = kept.of(jobId).orElseGet(() -> empty(jobId));
        if (book.revision() >= last) {
            return book;
        }
        Assembly.Replay replay = new Assembly.Replay(book);
        long read = book.revision();
        while (read < last) {
            List<StoredEntry.Row> rows = entries.after(jobId, read, Limit.of(ROWS_AT_ONCE));
            if (rows.isEmpty()) {
                break;
            }
            replay.addAll(rows, StoredEntry.Row::entry);
            read = rows.get(rows.size() - 1).sequence();
        }
        return replay.done();
    }

    /** What somebody may book in a job: what both the account and the membership allow; whoever is no member finds no job at all. */
    public Booker booker(String jobId, String by) {
        Booker account = bookers.booker(by);
        return members.findById(new Member.Key(jobId, by))
                .map(m -> new Booker(by, account.surveyor() && m.isSurveyor(), account.reviewer() && m.isReviewer()))
                .orElse(account);
    }

    /** How much the entries of a job hold as they are stored, in bytes. */
    public long bytes(String jobId) {
        return entries.bytes(jobId);
    }

    /** Lets go of the books in memory; the next look reads them from disk. */
    void forgetKept() {
        kept.forget();
    }

    private static Instant now() {
        return Instant.now().truncatedTo(ChronoUnit.MILLIS);
    }
}
