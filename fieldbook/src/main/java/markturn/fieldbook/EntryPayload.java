package markturn.fieldbook;

import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;

/**
 * What an entry says: one record a kind, closed. A kind knows who may book it, whether it fits what stands (asked once, by
 * {@link Admission}), what it makes of a job (always, by {@link Assembly}), and how it is written; {@link EntryKind} names it and reads it.
 */
public sealed interface EntryPayload
        permits JobOpened,
                InstrumentAdded,
                ReflectorAdded,
                MarkAdded,
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
                PracticeOpened {
    EntryKind kind();

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
}
