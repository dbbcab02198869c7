package markturn.fieldbook;

/**
 * Who books.
 *
 * @param name for signing in
 */
public record Booker(String name, boolean surveyor, boolean reviewer) {}
