package markturn.web.intake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import markturn.formats.FaultyFile;
import markturn.formats.ImportedPoints;
import markturn.formats.PointTable;
import org.springframework.stereotype.Component;

/** Files being looked at and taken in. They are kept for an hour, each for who brought it; a long one tells how far it is and can be cancelled. */
@Component
class Intakes {
    /** Bytes of the files kept for one person: what others bring pushes nothing of it out. */
    private static final long MOST_KEPT = 96L << 20;

    /** A small file does not wait for a large one. */
    private static final int AT_ONCE = 2;

    private final ConcurrentMap<String, Cache<String, Intake>> kept = new ConcurrentHashMap<>();
    private final ExecutorService worker = Executors.newFixedThreadPool(AT_ONCE, work -> {
        Thread thread = new Thread(work, "intake");
        thread.setDaemon(true);
        return thread;
    });

    /** How a taking-in stands. */
    enum State {
        LOOKED_AT,
        UNDER_WAY,
        DONE,
        CANCELLED,
        REFUSED
    }

    /** One file. */
    static final class Intake {
        private final String job;
        private final String by;
        private final String name;
        private final byte[] file;
        private PointTable table;
        private Object readAs;
        private ImportedPoints points;
        private volatile State state = State.LOOKED_AT;
        private volatile double share;
        private volatile boolean cancelling;
        private volatile String words = "";

        Intake(String job, String by, String name, byte[] file) {
            this.job = job;
            this.by = by;
            this.name = name;
            this.file = file;
        }

        /** A way to read the points. */
        interface Reader {
            ImportedPoints read() throws FaultyFile;
        }

        /** The points as they were last read, or read anew where the choices are others. */
        synchronized ImportedPoints points(Object choices, Reader how) throws FaultyFile {
            if (!choices.equals(readAs)) {
                points = how.read();
                readAs = choices;
            }
            return points;
        }

        /** What the file was called. */
        public String name() {
            return name;
        }

        byte[] file() {
            return file;
        }

        /** The file as a table, read once. */
        synchronized PointTable table() throws FaultyFile {
            if (table == null) {
                table = PointTable.read(file);
            }
            return table;
        }

        /** How it stands. */
        public State state() {
            return state;
        }

        /** How much is done, 0 to 1. */
        public double share() {
            return share;
        }

        /** How it ended, in words. */
        public String words() {
            return words;
        }

        /** Tells how much is done, 0 to 1; throws where somebody cancelled. */
        void reached(double now) {
            if (cancelling) {
                throw new CancellationException();
            }
            share = now;
        }

        void ended(State how, String sentence) {
            words = sentence;
            state = how;
        }

        void cancel() {
            cancelling = true;
        }
    }

    private static Cache<String, Intake> room() {
        return Caffeine.newBuilder()
                .maximumWeight(MOST_KEPT)
                .weigher((String token, Intake intake) -> intake.file.length)
                .expireAfterAccess(Duration.ofHours(1))
                .build();
    }

    /** Keeps a file; answers the word it is found by, which cannot be guessed. */
    String keep(String job, String by, String name, byte[] file) {
        String token = UUID.randomUUID().toString();
        kept.computeIfAbsent(by, person -> room()).put(token, new Intake(job, by, name, file));
        return token;
    }

    /** A file kept for a job and a person; empty where there is none any more. */
    Optional<Intake> find(String token, String job, String by) {
        return Optional.ofNullable(kept.get(by))
                .map(room -> room.getIfPresent(token))
                .filter(i -> i.job.equals(job));
    }

    /** Begins the work on a file beside the pages, once. */
    void begin(Intake intake, Consumer<Intake> work) {
        synchronized (intake) {
            if (intake.state == State.UNDER_WAY || intake.state == State.DONE) {
                return;
            }
            intake.cancelling = false;
            intake.share = 0;
            intake.state = State.UNDER_WAY;
        }
        worker.submit(() -> {
            try {
                work.accept(intake);
            } catch (CancellationException cancelled) {
                intake.ended(State.CANCELLED, "Cancelled: nothing of the file was stored.");
            } catch (RuntimeException broken) {
                intake.ended(State.REFUSED, "Nothing of the file was stored. The program failed while taking it in.");
                throw broken;
            }
        });
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }
}
