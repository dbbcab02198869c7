package markturn.fieldbook;

/** An entry that cannot be booked: which field, and in words why. Nothing was stored. */
public final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final String field;

    public Refused(String field, String message) {
        super(message);
        this.field = field;
    }

    /** Name of the field at fault; empty where it is the whole. */
    public String field() {
        return field;
    }
}
