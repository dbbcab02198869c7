package markturn.fieldbook;

import java.time.Instant;
import java.util.Optional;

/**
 * One line of the field book. It is never changed.
 *
 * @param sequence its place in the job, from 1
 * @param key given by the page, so that the same line sent twice is one line
 * @param at when it was stored
 * @param onDevice when it was booked by the clock of a device without a connection; empty where it was stored at once
 * @param by sign-in name of who booked it
 * @param payload what it says
 */
public record Entry(
        long sequence, String key, Instant at, Optional<Instant> onDevice, String by, EntryPayload payload) {
    /** One that was stored at once. */
    public Entry(long sequence, String key, Instant at, String by, EntryPayload payload) {
        this(sequence, key, at, Optional.empty(), by, payload);
    }

    public EntryPayload.Kind kind() {
        return payload.kind();
    }
}
