package markturn.fieldbook;

/** An entry that whoever sent it may not book. Nothing was stored. */
public final class NotAllowed extends RuntimeException {
    private static final long serialVersionUID = 1;

    NotAllowed(String sentence) {
        super(sentence);
    }
}
