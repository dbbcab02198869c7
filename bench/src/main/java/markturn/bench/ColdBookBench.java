package markturn.bench;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.JobOpened;
import markturn.fieldbook.ReadingBooked;
import markturn.fieldbook.wire.JobWriter;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.JsonTrees;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * A cold job, booked entry by entry, opened from its rows: read and laid on, beside parsing the same rows alone; and the heap it takes
 * while somebody works with it and when it is laid aside, beside the bytes that are stored. The database is not asked.
 */
public final class ColdBookBench {
    private static final int LINES = 25;
    private static final int SIGHTS = 8;
    private static final int[] SETUPS = {200, 800, 2_944};
    private static final int ROUNDS = 7;
    /** A job is opened cold in a program that is warm: so often is the smallest opened before, a round each, that both sides are compiled. */
    private static final int WARM_UP = 12;

    /** As the application reads them. */
    private static final int ROWS_AT_ONCE = 2000;

    private static final Instant AT = Instant.EPOCH;

    private ColdBookBench() {}

    /** As it is stored. */
    private record Row(long sequence, String kind, String payload) {}

    /** No arguments. */
    public static void main(String[] arguments) throws FaultyFile {
        System.out.println(
                "   entries   parsed alone, ms   opened, ms   ratio   bytes stored   laid aside         in use");
        double[] opened = new double[SETUPS.length];
        for (int i = -WARM_UP; i < SETUPS.length; i++) {
            List<Row> rows = rows(SETUPS[Math.max(0, i)]);
            double[] alone = new double[ROUNDS];
            double[] laid = new double[ROUNDS];
            for (int round = 0; round < ROUNDS; round++) {
                long began = System.nanoTime();
                long trees = 0;
                for (Row row : rows) {
                    trees += JsonTrees.read(row.payload()) == null ? 0 : 1;
                }
                alone[round] = (System.nanoTime() - began) / 1e6;
                began = System.nanoTime();
                BookedJob book = opened(rows);
                laid[round] = (System.nanoTime() - began) / 1e6;
                if (trees != rows.size() || book.revision() != rows.size()) {
                    throw new IllegalStateException("not every row was read");
                }
            }
            Arrays.sort(alone);
            Arrays.sort(laid);
            if (i >= 0) {
                opened[i] = laid[ROUNDS / 2];
                System.out.printf(
                        Locale.ROOT,
                        "  %8d   %16.0f   %10.0f   %5.1f   ",
                        rows.size(),
                        alone[ROUNDS / 2],
                        opened[i],
                        opened[i] / alone[ROUNDS / 2]);
                onTheHeap(rows);
            }
        }
        System.out.printf(
                Locale.ROOT,
                "  growth from %d to %d setups: exponent %.2f%n",
                SETUPS[0],
                SETUPS[2],
                Math.log(opened[2] / opened[0]) / Math.log((double) SETUPS[2] / SETUPS[0]));
    }

    private static void onTheHeap(List<Row> rows) {
        double stored = rows.stream()
                .mapToLong(row -> row.payload().getBytes(StandardCharsets.UTF_8).length)
                .sum();
        double before = used();
        BookedJob book = opened(rows);
        int findings = book.result().findings().size();
        double whole = used() - before;
        book = book.laidAside();
        double aside = used() - before;
        System.out.printf(
                Locale.ROOT,
                "%9.1f MB   %.1f MB (%.1f)   %.1f MB (%.1f times what is stored)%s%n",
                stored / 1e6,
                aside / 1e6,
                aside / stored,
                whole / 1e6,
                whole / stored,
                book.revision() != rows.size() || findings < 0 ? "!" : "");
    }

    private static double used() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    private static BookedJob opened(List<Row> rows) {
        Assembly.Replay replay = new Assembly.Replay(Assembly.empty("bench", Computing.AT_ONCE));
        for (int read = 0; read < rows.size(); read += ROWS_AT_ONCE) {
            replay.addAll(
                    rows.subList(read, Math.min(rows.size(), read + ROWS_AT_ONCE)),
                    (row, units) -> new Entry(
                            row.sequence(),
                            "key-" + row.sequence(),
                            AT,
                            "wren",
                            EntryPayload.Kind.read(row.kind(), 1, JsonTrees.read(row.payload()), units)));
        }
        return replay.done();
    }

    /** The job with its marks and empty setups, then a row for each reading. */
    private static List<Row> rows(int setups) throws FaultyFile {
        Job job = JobFile.read(ChainOfSetups.job(setups, LINES - SIGHTS).getBytes(StandardCharsets.UTF_8));
        JobWriter writer = new JobWriter(job.units());
        List<Setup> empty =
                job.setups().stream().map(s -> s.withReadings(List.of())).toList();
        List<Row> rows = new ArrayList<>();
        rows.add(row(1, new JobOpened(job.withSetups(empty)), writer));
        for (Setup setup : job.setups()) {
            for (Reading reading : setup.readings()) {
                rows.add(row(rows.size() + 1, new ReadingBooked(setup.name(), reading, Optional.of("bench")), writer));
            }
        }
        return rows;
    }

    private static Row row(long sequence, EntryPayload payload, JobWriter writer) {
        return new Row(sequence, payload.kind().stored(), JsonTrees.line(payload.written(writer)));
    }
}
