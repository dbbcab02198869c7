package markturn.fieldbook;

import java.util.ArrayList;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Units;

/**
 * What an entry says: one record a kind, closed. A kind knows who may book it, whether it fits what stands (asked once, by
 * {@link Admission}), what it makes of a job (always, by {@link Assembly}), and how it is written; {@link Kind} names it and reads it.
 */
public sealed interface EntryPayload
        permits JobOpened,
                JobNamed,
                InstrumentAdded,
                ReflectorAdded,
                MarkAdded,
                MarkTaken,
                MarkNoted,
                ControlCorrected,
                MarksAdded,
                CodeDescribed,
                SetupBegun,
                SetupRemoved,
                OrderNoted,
                ReadingBooked,
                LinesStruck,
                LinesRestored,
                DecisionMade,
                NoteCorrected,
                MarksLeftOut,
                TraverseRouted,
                CoordinatesAdopted,
                AdoptionWithdrawn,
                ReferenceNoted,
                FixNoted,
                FixStruck,
                WorkInterrupted,
                PenTaken,
                SetupsPlanned,
                GroundDrawn,
                PlanKept,
                EpochNoted,
                ReferenceChosen,
                PracticeOpened {
    Kind kind();

    /** Who may book it; most kinds say it once for all. */
    default MayBook mayBook() {
        return kind().mayBook();
    }

    /**
     * Asked once, before it is added: whether it fits what stands.
     *
     * @throws Refused where it contradicts what stands; nothing is added then
     */
    default void require(BookedJob book) {}

    /**
     * Lays it on the job. Total: whatever was admitted once is laid on for ever, and what has no place there any more changes nothing.
     *
     * @param entry it came with
     */
    void apply(BookDraft draft, Entry entry);

    /** As it is stored, in the units of the job and the present revision of its kind. */
    Fields written(JobWriter to);

    /** The device that books it, where it writes at a setup; empty where the device has no name. */
    default Optional<String> device() {
        return Optional.empty();
    }

    /** The setups at whose page it writes, where one device at a time does. */
    default Set<String> writesAt(BookedJob book) {
        return Set.of();
    }

    /** The kinds of entries: how each is called where it is stored, its revision, who may book it, and how it is read. No name is ever changed. */
    enum Kind {
        /** A whole job: how it begins. */
        OPEN("open", 1, MayBook.SURVEYOR, JobOpened::read),
        /** Another name or place of the job, with the reason. */
        NAMED("job-named", 1, MayBook.SURVEYOR, JobNamed::read),
        INSTRUMENT("instrument", 1, MayBook.SURVEYOR, InstrumentAdded::read),
        REFLECTOR("reflector", 1, MayBook.SURVEYOR, ReflectorAdded::read),
        MARK("mark", 1, MayBook.SURVEYOR, MarkAdded::read),
        /** A mark from the office's register. */
        MARK_TAKEN("mark-taken", 1, MayBook.SURVEYOR, MarkTaken::read),
        /** A mark noted anew, with the reason. */
        MARK_NOTED("mark-noted", 1, MayBook.SURVEYOR_OR_REVIEWER, MarkNoted::read),
        /** Given coordinates are corrected or withdrawn, with the reason. */
        CONTROL_CORRECTED("control-corrected", 1, MayBook.SURVEYOR, ControlCorrected::read),
        /** Many marks that came in together, as one act. */
        MARKS("marks", 1, MayBook.SURVEYOR, MarksAdded::read),
        /** A code, new or described anew. */
        CODE("code", 1, MayBook.SURVEYOR, CodeDescribed::read),
        SETUP("setup", 1, MayBook.SURVEYOR, SetupBegun::read),
        /** A setup at which nothing was booked is taken back, with the reason. */
        SETUP_REMOVED("setup-removed", 1, MayBook.SURVEYOR, SetupRemoved::read),
        /** Which targets are turned, and in how many sets. */
        ORDER("order", 1, MayBook.SURVEYOR, OrderNoted::read),
        READING("reading", 1, MayBook.SURVEYOR, ReadingBooked::read),
        STRIKE("strike", 1, MayBook.SURVEYOR, LinesStruck::read),
        RESTORE("restore", 1, MayBook.SURVEYOR, LinesRestored::read),
        DECISION("decision", 1, MayBook.SURVEYOR_OR_REVIEWER, DecisionMade::read),
        /** A note corrected: a height, a reflector, a name, a role, the air, a constant, what is assumed of the earth. */
        RENOTE("renote", 2, MayBook.SURVEYOR, NoteCorrected::read),
        /** What of the marks is left out of an orientation, with the reason. */
        LEAVE_OUT("leave-out", 1, MayBook.SURVEYOR_OR_REVIEWER, MarksLeftOut::read),
        /** The route of a traverse, and the rule that spreads its misclosure. */
        TRAVERSE("traverse", 1, MayBook.SURVEYOR_OR_REVIEWER, TraverseRouted::read),
        /** Coordinates adopted: the one derived number that is kept, as a decision. */
        ADOPT("adopt", 1, MayBook.REVIEWER, CoordinatesAdopted::read),
        /** A distance or height difference between two marks that is known without the instrument. */
        REFERENCE("reference", 1, MayBook.SURVEYOR, ReferenceNoted::read),
        /** What was adopted from a run is withdrawn, with the reason: the marks are again what the job computes. */
        WITHDRAW("withdraw", 1, MayBook.REVIEWER, AdoptionWithdrawn::read),
        /** A satellite fix of a mark. */
        FIX("fix", 1, MayBook.SURVEYOR, FixNoted::read),
        /** A satellite fix struck out with a reason, or standing again without one. */
        FIX_STRUCK("fix-struck", 1, MayBook.SURVEYOR, FixStruck::read),
        /** The work at a setup was interrupted: the circle may have changed. */
        BREAK("break", 1, MayBook.SURVEYOR, WorkInterrupted::read),
        /** A device takes the pen of a setup. */
        PEN("pen", 1, MayBook.SURVEYOR, PenTaken::read),
        /** Setups that are to be made. */
        PLANNED("planned", 1, MayBook.SURVEYOR, SetupsPlanned::read),
        /** What stands on the ground. */
        GROUND("ground", 1, MayBook.SURVEYOR_OR_REVIEWER, GroundDrawn::read),
        /** A plan of the work. */
        PLAN("plan", 1, MayBook.SURVEYOR_OR_REVIEWER, PlanKept::read),
        /** The job, or some of its setups, is an epoch of marks that are measured again. */
        EPOCH("epoch", 1, MayBook.SURVEYOR, EpochNoted::read),
        /** Which marks are meant to be stable, with the reason. */
        REFERENCE_CHOSEN("reference-chosen", 1, MayBook.SURVEYOR_OR_REVIEWER, ReferenceChosen::read),
        /** Simulated devices are put at the job's service. */
        PRACTICE("practice", 1, MayBook.SURVEYOR, PracticeOpened::read);

        private final String stored;
        private final int revision;
        private final MayBook mayBook;
        private final Reader reader;

        /** Reads a payload as it was written in a revision, the present one or an earlier. */
        private interface Reader {
            EntryPayload read(Element payload, int revision);
        }

        Kind(String stored, int revision, MayBook mayBook, Reader reader) {
            this.stored = stored;
            this.revision = revision;
            this.mayBook = mayBook;
            this.reader = reader;
        }

        /** What it is called where it is stored. */
        public String stored() {
            return stored;
        }

        /** The revision in which its payloads are written now, from 1. */
        public int revision() {
            return revision;
        }

        MayBook mayBook() {
            return mayBook;
        }

        /**
         * Reads what is stored. What was admitted once is read for ever: single values that cannot be read any more become stand-ins.
         *
         * @param stored name of the kind
         * @param revision in which the payload was written
         * @param units of the job at that entry
         */
        public static EntryPayload read(String stored, int revision, Tree payload, Units units) {
            for (Kind kind : values()) {
                if (kind.stored.equals(stored)) {
                    return kind.reader.read(new Element(payload, "$", units, new ArrayList<>()), revision);
                }
            }
            throw new IllegalStateException("entry of unknown kind " + stored);
        }
    }
}
