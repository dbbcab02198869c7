package markturn.web.fieldbook;

import java.time.Duration;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import markturn.fieldbook.Computing;
import markturn.survey.SurveyResult;

/**
 * What is computed of a job at one revision, once, beside the pages that ask for it. A page waits for {@link #PAGE} and no longer; the
 * work goes on meanwhile and is there when somebody asks again, until {@link #MOST} ends it. So a job that takes long stops nobody who
 * works on another.
 */
final class Computation implements Computing.Computed {
    static final Duration PAGE = Duration.ofSeconds(30);
    static final Duration MOST = Duration.ofMinutes(10);

    /** What takes longer is worked on beside the acts of others. */
    private static final Duration BRIEF = Duration.ofMillis(250);

    private static final ExecutorService WORKERS = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "computing");
        thread.setDaemon(true);
        return thread;
    });

    private final Function<DoubleConsumer, SurveyResult> work;
    private final Duration most;
    private Future<SurveyResult> future;

    /** @param work computes; tells how far it is, and ends with what that throws */
    Computation(Function<DoubleConsumer, SurveyResult> work) {
        this(work, MOST);
    }

    Computation(Function<DoubleConsumer, SurveyResult> work, Duration most) {
        this.work = work;
        this.most = most;
    }

    @Override
    public SurveyResult result() {
        return within(PAGE);
    }

    @Override
    public SurveyResult inTheEnd() {
        return within(most);
    }

    /**
     * The result, when it is there.
     *
     * @param patience how long it is waited for
     * @throws TooLong where it takes longer; asked again it may be there
     */
    SurveyResult within(Duration patience) {
        try {
            return awaited(patience);
        } catch (TimeoutException later) {
            throw new TooLong(
                    "This job takes longer to compute than a page waits (%d seconds). What was booked is stored, and the work goes on: look again in a minute."
                            .formatted(patience.toSeconds()));
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new TooLong("The program is being stopped. What was booked is stored.");
        } catch (ExecutionException failed) {
            again();
            if (failed.getCause() instanceof CancellationException) {
                throw new TooLong(
                        "This job was not computed within %d minutes, and the work was stopped. What was booked is stored; \"./mark-turn compute\" computes its job file without a limit."
                                .formatted(most.toMinutes()));
            }
            if (failed.getCause() instanceof RuntimeException fault) {
                throw fault;
            }
            throw new IllegalStateException("the job could not be computed", failed.getCause());
        }
    }

    private SurveyResult awaited(Duration patience) throws InterruptedException, ExecutionException, TimeoutException {
        Future<SurveyResult> soon = begun();
        Duration brief = patience.compareTo(BRIEF) < 0 ? patience : BRIEF;
        try {
            return soon.get(brief.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException takesLonger) {
            Turn.giveBack();
            return soon.get(patience.minus(brief).toMillis(), TimeUnit.MILLISECONDS);
        }
    }

    private synchronized Future<SurveyResult> begun() {
        if (future == null) {
            long end = System.nanoTime() + most.toNanos();
            future = WORKERS.submit(() -> work.apply(share -> {
                if (System.nanoTime() > end) {
                    throw new CancellationException();
                }
            }));
        }
        return future;
    }

    private synchronized void again() {
        future = null;
    }
}
