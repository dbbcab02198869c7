package markturn.web.frame;

/** The page asked for does not exist in this job. */
public final class NotHere extends RuntimeException {
    private static final long serialVersionUID = 1;
}
