package markturn.fieldbook;

import java.time.Instant;

/**
 * One line of the field book. It is never changed.
 *
 * @param sequence its place in the job, from 1
 * @param key given by the page, so that the same line sent twice is one line
 * @param by sign-in name of who booked it
 * @param payload what it says
 */
public record Entry(long sequence, String key, Instant at, String by, EntryPayload payload) {
    public EntryPayload.Kind kind() {
        return payload.kind();
    }
}
