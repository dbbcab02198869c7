package markturn.web.fieldbook;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;

/**
 * So many acts are worked on at once as keep the processors busy, the others in the order in which they came. Sixty people who book in the
 * same second would all be slow otherwise, the last of them twice as slow as the middle one; and the compiler, on whom the next minutes
 * depend, would have one thread's share among sixty. Whoever waits for a large job gives the turn back, and nobody waits for one for ever.
 */
public final class Turn {
    /** Each waits for the disk part of the time. */
    static final int AT_ONCE = 2 * Runtime.getRuntime().availableProcessors();

    /** Who has waited that long goes ahead in any case: longer than a full house takes on a slow machine, or all would go ahead at once then. */
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private static final Semaphore FREE = new Semaphore(AT_ONCE, true);

    /** Whether the thread holds a turn. */
    private static final ThreadLocal<Boolean> HELD = ThreadLocal.withInitial(() -> false);

    private Turn() {}

    /** Does some work when its turn comes; work within other work has its turn already. */
    public static <T> T taken(Supplier<T> work) {
        if (HELD.get()) {
            return work.get();
        }
        HELD.set(awaited());
        try {
            return work.get();
        } finally {
            giveBack();
        }
    }

    private static boolean awaited() {
        try {
            return FREE.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** Gives back the turn of this thread, where it has one: nobody else need wait for what it waits for now. */
    static void giveBack() {
        if (HELD.get()) {
            FREE.release();
        }
        HELD.remove();
    }

    /** How many turns nobody has. */
    static int free() {
        return FREE.availablePermits();
    }
}
