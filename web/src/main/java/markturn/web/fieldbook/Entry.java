package markturn.web.fieldbook;

import java.time.Instant;
import tools.jackson.databind.JsonNode;

/**
 * One line of the field book.
 *
 * @param sequence its place in the job, from 1
 * @param key given by the page, so that the same line sent twice is one line
 * @param by sign-in name of who booked it
 * @param payload as it was booked, in the words and units of the job file
 */
public record Entry(long sequence, String key, Instant at, String by, EntryKind kind, JsonNode payload) {}
