package markturn.web.frame;

import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/**
 * Work that fills memory and processors: a file being read, a report being set. One piece at a time for a person and two in all; the next
 * waits its turn, so that those who book are not stalled by those who bring and carry.
 */
@Component
public class HeavyWork {
    private static final int IN_ALL = 2;
    private static final int PATIENCE_SECONDS = 120;

    private final Semaphore turns = new Semaphore(IN_ALL, true);
    private final Set<String> busy = ConcurrentHashMap.newKeySet();

    /** Somebody's work has to wait longer than a page can, or is their second at once. */
    public static final class Busy extends RuntimeException {
        private static final long serialVersionUID = 1;

        Busy(String sentence) {
            super(sentence);
        }
    }

    /**
     * Does a piece of work when its turn comes.
     *
     * @param person sign-in name of whose work it is
     * @throws Busy where another of theirs is under way, or the turn does not come within two minutes
     */
    public <T> T inTurn(String person, Callable<T> work) throws Exception {
        if (!busy.add(person)) {
            throw new Busy(
                    "Another file or report of yours is still being worked on: wait until it is through, then try again.");
        }
        try {
            if (!turns.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new Busy(
                        "Others' files and reports are being worked on: try again in a few minutes. Nothing was done.");
            }
            try {
                return work.call();
            } finally {
                turns.release();
            }
        } finally {
            busy.remove(person);
        }
    }
}
