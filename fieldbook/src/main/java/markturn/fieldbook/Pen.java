package markturn.fieldbook;

/**
 * Who writes at a setup: one device at a time.
 *
 * @param device known by a cookie of its own
 * @param by sign-in name of who took it
 */
public record Pen(String device, String by) {}
