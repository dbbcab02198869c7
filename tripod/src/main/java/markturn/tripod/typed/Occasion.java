package markturn.tripod.typed;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.LinesRestored;
import markturn.fieldbook.LinesStruck;
import markturn.fieldbook.ReadingBooked;
import markturn.survey.job.Decision;
import markturn.survey.job.Reading;
import markturn.tripod.station.Stations;

/**
 * When something is booked, by whom and with what.
 *
 * @param account the sign-in name of whoever books
 * @param by the name that stays in the record
 * @param device the device in hand, so that one at a time holds the pen; empty where it has no name
 * @param now the time of it
 * @param stations what can be asked to sight
 */
public record Occasion(String account, String by, Optional<String> device, Instant now, Stations stations) {
    /** Where no station can be asked. */
    public Occasion(String account, String by, Optional<String> device, Instant now) {
        this(account, by, device, now, Stations.NONE);
    }

    /** A reading that is booked at a setup. */
    public ReadingBooked booking(String setup, Reading reading) {
        return new ReadingBooked(setup, reading, device);
    }

    /** Lines that are struck out. */
    public LinesStruck striking(List<String> lines, String reason) {
        return new LinesStruck(lines, reason, device);
    }

    /** Lines that are restored. */
    public LinesRestored restoring(List<String> lines) {
        return new LinesRestored(lines, "restored", device);
    }

    /** A decision of now. */
    public Decision decision(String what, Map<String, Object> on, String reason) {
        return decision(what, on, reason, Optional.empty(), Optional.empty());
    }

    /** A decision of now, with what it was before and is after, where a note was changed. */
    public Decision decision(
            String what, Map<String, Object> on, String reason, Optional<Object> before, Optional<Object> after) {
        return new Decision(Optional.of(now.truncatedTo(ChronoUnit.SECONDS)), by, what, on, reason, before, after);
    }
}
