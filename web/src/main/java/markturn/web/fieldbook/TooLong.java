package markturn.web.fieldbook;

/** A job takes longer to compute than a page waits; says so, and what to do. Nothing booked is lost by it. */
public final class TooLong extends RuntimeException {
    private static final long serialVersionUID = 1;

    TooLong(String sentence) {
        super(sentence);
    }
}
