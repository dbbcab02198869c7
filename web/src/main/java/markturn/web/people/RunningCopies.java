package markturn.web.people;

import jakarta.annotation.PreDestroy;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/** Which copies of the program serve on this database: each says every few seconds that it is there. */
@Service
class RunningCopies {
    private static final Logger LOG = LoggerFactory.getLogger(RunningCopies.class);
    private static final Duration BEAT = Duration.ofSeconds(5);
    /** Whoever has just started waits for the first page: it goes first. */
    private static final Duration FIRST_BEAT = Duration.ofSeconds(2);
    /** Who has not been heard for so long is gone. */
    private static final Duration SILENT = Duration.ofSeconds(20);

    /** Whoever stopped days ago is of no interest. */
    private static final Duration FORGOTTEN = Duration.ofDays(1);

    private final RunningCopyRepository copies;
    private final TransactionTemplate transaction;
    private final ScheduledExecutorService beats = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "running-copies");
        thread.setDaemon(true);
        return thread;
    });
    private final Instant started = now();
    private volatile String name = "";
    private volatile boolean isHeard;

    RunningCopies(RunningCopyRepository copies, PlatformTransactionManager transactions) {
        this.copies = copies;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** A copy, as an administrator sees it. */
    public record Shown(String name, Instant startedAt, Instant heardAt, boolean alive, boolean isThis) {}

    @EventListener
    void begin(WebServerInitializedEvent event) {
        if (!name.isEmpty()) {
            return;
        }
        name = host() + ":" + event.getWebServer().getPort();
        beats.scheduleWithFixedDelay(this::beat, FIRST_BEAT.toMillis(), BEAT.toMillis(), TimeUnit.MILLISECONDS);
    }

    private static String host() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException nameless) {
            return "this machine";
        }
    }

    /** Where the database does not answer now, the next beat tries again; the pages say that it is gone. */
    private void beat() {
        try {
            transaction.executeWithoutResult(status -> {
                copies.heard(name, started, now());
                copies.forget(now().minus(FORGOTTEN));
            });
            isHeard = true;
        } catch (DataAccessException | TransactionException gone) {
            LOG.debug("not heard: {}", gone.getMessage());
        }
    }

    @PreDestroy
    void end() {
        beats.shutdownNow();
        if (isHeard) {
            leave();
        }
    }

    /** Who ends in order is not waited for. */
    private void leave() {
        try {
            transaction.executeWithoutResult(status -> copies.leave(name));
        } catch (DataAccessException | TransactionException gone) {
            LOG.debug("not taken off the list: {}", gone.getMessage());
        }
    }

    /** All that were heard lately, the latest started first. */
    List<Shown> shown() {
        Instant silent = now().minus(SILENT);
        return copies.all().stream()
                .map(copy -> new Shown(
                        copy.name(),
                        copy.startedAt(),
                        copy.heardAt(),
                        copy.heardAt().isAfter(silent),
                        copy.name().equals(name)))
                .toList();
    }

    private static Instant now() {
        return Instant.now().truncatedTo(ChronoUnit.MILLIS);
    }
}
