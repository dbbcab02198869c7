package markturn.web.frame;

import java.time.Duration;
import java.util.Iterator;
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
import java.util.function.DoubleConsumer;
import java.util.function.Predicate;

/**
 * Work done beside the pages, so many pieces at once, and the last ones that are done. A page waits a moment for it, then shows how far it
 * is. Whoever asked can cancel it; where nobody has asked after it for long, it ends by itself: its client has left.
 *
 * @param <K> what is asked for; equal keys are the same piece
 * @param <T> what comes of it
 */
public final class LongWork<K, T> {
    private final ExecutorService workers;
    private final int kept;
    private final Duration leaving;
    private final Map<K, Run<T>> runs = new LinkedHashMap<>();
    private volatile Duration patience;

    /** A piece of work. */
    public interface Work<T> {
        /** @param reached is told the share that is done, 0 to 1; throws where the work is to end */
        T done(DoubleConsumer reached) throws Exception;
    }

    /** One piece of work: waiting for its turn, under way, done or cancelled. */
    public static final class Run<T> {
        private final long leavingNanos;
        private volatile double share;
        private volatile boolean cancelled;
        private volatile long asked = System.nanoTime();
        private Future<T> future;

        private Run(Duration leaving) {
            this.leavingNanos = leaving.toNanos();
        }

        /** How much is done, 0 to 1. */
        public double share() {
            return share;
        }

        /** Whether it is over, one way or the other. */
        public boolean isDone() {
            return future.isDone();
        }

        private boolean isEnded() {
            return cancelled || System.nanoTime() - asked > leavingNanos;
        }

        private void reached(double now) {
            if (isEnded()) {
                cancelled = true;
                throw new CancellationException();
            }
            share = now;
        }
    }

    /**
     * @param name of its threads
     * @param atOnce how many pieces are worked on at once
     * @param kept how many pieces done are kept
     * @param patience how long a page waits before it shows how far the work is
     * @param leaving after so long without a question nobody waits any more
     */
    public LongWork(String name, int atOnce, int kept, Duration patience, Duration leaving) {
        this.kept = kept;
        this.patience = patience;
        this.leaving = leaving;
        this.workers = Executors.newFixedThreadPool(atOnce, work -> {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** How long a page waits before it shows how far the work is. */
    public void setPatience(Duration patience) {
        this.patience = patience;
    }

    /**
     * What comes of it, if it is there soon; begun where it was not.
     *
     * @throws RuntimeException what the work threw, if it is one
     */
    public Optional<T> soon(K what, Work<T> work) {
        Run<T> run = run(what, work);
        try {
            return Optional.of(run.future.get(patience.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException later) {
            return Optional.empty();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (ExecutionException failed) {
            forget(what, run);
            if (failed.getCause() instanceof CancellationException) {
                return Optional.empty();
            }
            if (failed.getCause() instanceof RuntimeException fault) {
                throw fault;
            }
            throw new IllegalStateException(what + " could not be done", failed.getCause());
        }
    }

    private synchronized Run<T> run(K what, Work<T> work) {
        Run<T> known = runs.get(what);
        if (known != null && !known.cancelled) {
            known.asked = System.nanoTime();
            return known;
        }
        Run<T> run = new Run<>(leaving);
        run.future = workers.submit(() -> {
            run.reached(0);
            return work.done(run::reached);
        });
        runs.put(what, run);
        letGo();
        return run;
    }

    /** Only what is done is let go, the earliest first: what is under way, or waits for its turn, somebody waits for. */
    private void letGo() {
        long done = runs.values().stream().filter(Run::isDone).count();
        Iterator<Run<T>> all = runs.values().iterator();
        while (done > kept && all.hasNext()) {
            if (all.next().isDone()) {
                all.remove();
                done--;
            }
        }
    }

    /** A piece under way or done; empty where there is none. Whoever looks still waits for it. */
    public synchronized Optional<Run<T>> known(K what) {
        Optional<Run<T>> run = Optional.ofNullable(runs.get(what)).filter(r -> !r.cancelled);
        run.ifPresent(r -> r.asked = System.nanoTime());
        return run;
    }

    /** How many pieces are before this one or under way; 0 where it is under way itself. */
    public synchronized long before(K what) {
        Run<T> its = runs.get(what);
        if (its == null || its.share > 0 || its.isDone()) {
            return 0;
        }
        return runs.values().stream()
                .takeWhile(run -> run != its)
                .filter(run -> !run.isDone())
                .count();
    }

    /** Ends a piece of work; nothing happens where there is none. */
    public synchronized void cancel(K what) {
        Run<T> run = runs.remove(what);
        if (run != null) {
            run.cancelled = true;
        }
    }

    /** Ends what is not done yet and what nobody can want any more: the next one does not wait behind it. */
    public synchronized void cancelOutdated(Predicate<K> outdated) {
        runs.entrySet().removeIf(each -> {
            Run<T> run = each.getValue();
            run.cancelled |= !run.isDone() && outdated.test(each.getKey());
            return run.cancelled;
        });
    }

    private synchronized void forget(K what, Run<T> failed) {
        runs.remove(what, failed);
    }

    /** Ends all of it. */
    public synchronized void close() {
        runs.values().forEach(run -> run.cancelled = true);
        workers.shutdownNow();
    }
}
