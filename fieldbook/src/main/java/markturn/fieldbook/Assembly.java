package markturn.fieldbook;

import java.util.List;
import java.util.function.BiFunction;
import markturn.survey.ComputationCache;
import markturn.survey.adjust.AtOnce;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;

/**
 * From entries to the job. It is total: it lays on whatever was admitted once, under whatever rules, and never refuses; whether an entry
 * is allowed and fits is {@link Admission}'s question.
 */
public final class Assembly {
    private Assembly() {}

    /** The book in which nothing has been written. */
    public static BookedJob empty(String jobId, Computing computing) {
        Units units = new Units(LengthUnit.METRE, AngleUnit.DMS);
        Job nothing = Job.opened("", "", units, ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), false, Earth.USUAL);
        return new BookedJob(
                jobId, List.of(), nothing, Places.NONE, FieldState.NONE, new ComputationCache(), computing);
    }

    /** The book with one entry more. */
    public static BookedJob with(BookedJob book, Entry entry) {
        return with(book, List.of(entry));
    }

    /** The book with more entries, in their order. The work grows with their number and with what they touch. */
    public static BookedJob with(BookedJob book, List<Entry> entries) {
        if (entries.isEmpty()) {
            return book;
        }
        Replay replay = new Replay(book);
        entries.forEach(replay::add);
        return replay.done();
    }

    /** A book being read from where it is stored, entry by entry; the units in which the next one is written are known. */
    public static final class Replay {
        private final BookDraft draft;

        public Replay(BookedJob from) {
            this.draft = new BookDraft(from);
        }

        public Units units() {
            return draft.units();
        }

        public void add(Entry entry) {
            draft.add(entry);
        }

        /**
         * Lays on what is stored, in its order. Reading it is most of the work and is done on all processors at once: the units in which it
         * is written are known after the first entry of a job, which opens it, and no other does.
         *
         * @param read makes an entry of what is stored, on any processor; what it throws comes through
         */
        public <R> void addAll(List<R> stored, BiFunction<R, Units, Entry> read) {
            List<R> rest = stored;
            if (draft.isUnopened() && !stored.isEmpty()) {
                add(read.apply(stored.get(0), units()));
                rest = stored.subList(1, stored.size());
            }
            Units units = units();
            AtOnce.of(rest, row -> read.apply(row, units)).forEach(this::add);
        }

        public BookedJob done() {
            return draft.done();
        }
    }
}
