package markturn.web.fieldbook;

/**
 * Said to whoever listens in this house when entries of a job have been stored.
 *
 * @param revision sequence of the last of them
 */
public record Booked(String jobId, long revision) {}
