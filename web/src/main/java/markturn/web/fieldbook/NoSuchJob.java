package markturn.web.fieldbook;

/** There is no such job for this person: whether it exists for others is not said. */
public final class NoSuchJob extends RuntimeException {
    private static final long serialVersionUID = 1;
}
