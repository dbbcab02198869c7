package markturn.web.network;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.result.MeasuredNetwork;
import org.springframework.stereotype.Component;

/** Networks being adjusted, one after the other beside the pages, and the last ones that were. A long one tells how far it is and can be cancelled. */
@Component
class NetworkRuns {
    private static final int KEPT = 8;

    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "networks");
        thread.setDaemon(true);
        return thread;
    });
    private final Map<Asked, Run> runs = new LinkedHashMap<>();
    private Duration patience = Duration.ofSeconds(2);

    /**
     * What is adjusted.
     *
     * @param control what of the control was switched, as asked; empty as it is booked
     */
    record Asked(String job, long revision, String control) {}

    /** A job with its network. */
    record Done(SurveyResult result, MeasuredNetwork network) {}

    /** One adjustment, waiting, under way, done or cancelled. */
    static final class Run {
        private volatile double share;
        private volatile boolean cancelled;
        private Future<Done> future;

        /** How much is done, 0 to 1. */
        double share() {
            return share;
        }

        boolean isDone() {
            return future.isDone();
        }

        private void reached(double now) {
            if (cancelled) {
                throw new CancellationException();
            }
            share = now;
        }
    }

    /** How long a page waits before it shows how far the work is. */
    void setPatience(Duration patience) {
        this.patience = patience;
    }

    /**
     * The network of a job, if it is there soon; started where it was not.
     *
     * @param computed computes the job, beside the page, where nobody has yet
     */
    Optional<Done> soon(Asked asked, Supplier<SurveyResult> computed) {
        Run run = run(asked, computed);
        try {
            return Optional.of(run.future.get(patience.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException later) {
            return Optional.empty();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (ExecutionException failed) {
            forget(asked);
            throw new IllegalStateException("the network of " + asked + " could not be adjusted", failed.getCause());
        }
    }

    private synchronized Run run(Asked asked, Supplier<SurveyResult> computed) {
        Run known = runs.get(asked);
        if (known != null && !known.cancelled) {
            return known;
        }
        Run run = new Run();
        run.future = worker.submit(() -> {
            run.reached(0);
            SurveyResult result = computed.get();
            return new Done(result, Survey.network(result, run::reached));
        });
        runs.put(asked, run);
        if (runs.size() > KEPT) {
            runs.keySet().stream().findFirst().ifPresent(runs::remove);
        }
        return run;
    }

    /** An adjustment under way or done; empty where there is none. */
    synchronized Optional<Run> known(Asked asked) {
        return Optional.ofNullable(runs.get(asked));
    }

    /** Ends an adjustment; nothing happens where there is none. */
    synchronized void cancel(Asked asked) {
        Run run = runs.remove(asked);
        if (run != null) {
            run.cancelled = true;
        }
    }

    private synchronized void forget(Asked asked) {
        runs.remove(asked);
    }

    @PreDestroy
    void close() {
        runs.values().forEach(run -> run.cancelled = true);
        worker.shutdownNow();
    }
}
