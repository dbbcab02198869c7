package markturn.web.fieldbook;

import java.time.Instant;

/**
 * Said to whoever listens in this house while a job is opened: what they store stands or falls with it.
 *
 * @param title as it is opened
 * @param by sign-in name of who opens it
 */
public record Opened(String jobId, String title, Instant at, String by) {}
