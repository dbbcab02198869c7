package markturn.web.job;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import markturn.fieldbook.BookedJob;
import markturn.web.fieldbook.Booked;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Opened;
import markturn.web.fieldbook.TooLong;
import markturn.web.instrument.InstrumentMemory;
import markturn.web.register.Register;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;

/**
 * Keeps a summary of each job, so that a list of thousands reads no book: made beside the pages some seconds after something was booked,
 * and at the start for what is behind. Whoever looks at a list does not wait long for what is not made yet.
 */
@Service
class Summaries {
    private static final Logger LOG = LoggerFactory.getLogger(Summaries.class);
    /** A crew books a line every few seconds: one summary for several of them is enough. */
    private static final Duration QUIET = Duration.ofSeconds(4);

    private static final int MOST_AT_ONCE = 20;
    /** A large job is summarised the more seldom: so much of the time at most goes into it. */
    private static final int SHARE = 20;

    private final FieldBook fieldBook;
    private final JobSummaries stored;
    private final InstrumentMemory instruments;
    private final Register register;
    /** Jobs whose summary is behind, the last booked last. */
    private final Set<String> waiting = Collections.synchronizedSet(new LinkedHashSet<>());

    private final Set<String> underWay = ConcurrentHashMap.newKeySet();
    /** How long the last summary of a job took. */
    private final Map<String, Duration> took = new ConcurrentHashMap<>();

    /** Summaries that nobody looks for yet: hundreds of jobs brought in at once stand in nobody's way. */
    private final ScheduledExecutorService later = Executors.newScheduledThreadPool(2, Summaries::quietly);

    private final ExecutorService asked = Executors.newFixedThreadPool(2, Summaries::quietly);

    Summaries(FieldBook fieldBook, JobSummaries stored, InstrumentMemory instruments, Register register) {
        this.register = register;
        this.instruments = instruments;
        this.fieldBook = fieldBook;
        this.stored = stored;
    }

    private static Thread quietly(Runnable work) {
        Thread thread = new Thread(work, "summaries");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    }

    /** In the transaction that opens the job: from then on the list has a row of it. */
    @EventListener
    void opened(Opened opened) {
        stored.save(new JobSummary(opened));
    }

    @EventListener
    void booked(Booked booked) {
        Duration last = took.getOrDefault(booked.jobId(), Duration.ZERO).multipliedBy(SHARE);
        soon(booked.jobId(), last.compareTo(QUIET) > 0 ? last : QUIET);
    }

    /** Not beside the first page: whoever has just started waits for that. */
    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        later.schedule(this::lookForThoseBehind, QUIET.toMillis(), TimeUnit.MILLISECONDS);
    }

    private void lookForThoseBehind() {
        try {
            stored.behind().forEach(jobId -> soon(jobId, QUIET));
        } catch (DataAccessException | TransactionException gone) {
            LOG.info("the jobs whose summaries are behind were not found: {}", gone.getMessage());
            begin();
        } catch (RuntimeException fault) {
            // Beside the pages nobody else would be told of it.
            LOG.error("the jobs whose summaries are behind could not be looked for", fault);
        }
    }

    private void soon(String jobId, Duration when) {
        boolean waitsAlready = waiting.remove(jobId);
        waiting.add(jobId);
        if (!waitsAlready) {
            later.schedule(() -> make(jobId), when.toMillis(), TimeUnit.MILLISECONDS);
        }
    }

    /** Makes what was just booked count now, as far as patience goes: whoever booked and looks at a list finds it there. */
    void catchUp(Duration patience) {
        List<String> latest;
        synchronized (waiting) {
            latest = new ArrayList<>(waiting);
        }
        Collections.reverse(latest);
        make(latest.subList(0, Math.min(MOST_AT_ONCE, latest.size())), patience);
    }

    /**
     * Makes the summaries of jobs now.
     *
     * @param patience how long the caller waits for them; what is not done by then goes on beside
     */
    void make(Collection<String> jobs, Duration patience) {
        List<Future<?>> made = new LinkedHashSet<>(jobs)
                .stream().<Future<?>>map(job -> asked.submit(() -> make(job))).toList();
        long end = System.nanoTime() + patience.toNanos();
        for (Future<?> one : made) {
            try {
                one.get(Math.max(0, end - System.nanoTime()), TimeUnit.NANOSECONDS);
            } catch (TimeoutException goesOn) {
                return;
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                return;
            } catch (ExecutionException told) {
                return;
            }
        }
    }

    /** Without a summary the list shows the job by its name: what cannot be made now is no fault of the list. */
    private void make(String jobId) {
        waiting.remove(jobId);
        if (!underWay.add(jobId)) {
            // What was booked since comes with the next one.
            soon(jobId, QUIET);
            return;
        }
        try {
            BookedJob book = fieldBook.forTheHouse(jobId);
            if (stored.findById(jobId)
                    .filter(s -> s.revision() >= book.revision())
                    .isEmpty()) {
                long began = System.nanoTime();
                instruments.remake(book);
                register.remake(book);
                // The last of all: what failed before it is made again.
                stored.save(new JobSummary(book));
                took.put(jobId, Duration.ofNanos(System.nanoTime() - began));
            }
        } catch (TooLong | DataAccessException | TransactionException notNow) {
            LOG.info("the summary of job {} was not made: {}", jobId, notNow.getMessage());
        } catch (RuntimeException fault) {
            // One job that cannot be computed takes no list away; its own pages show what is wrong.
            LOG.error("the summary of job {} could not be made", jobId, fault);
        } finally {
            underWay.remove(jobId);
        }
    }
}
