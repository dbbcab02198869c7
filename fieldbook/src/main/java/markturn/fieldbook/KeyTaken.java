package markturn.fieldbook;

/** A key under which something else is stored already. Nothing of this was stored. */
public final class KeyTaken extends RuntimeException {
    private static final long serialVersionUID = 1;

    KeyTaken() {
        super(
                "Another line is stored under this page's key. Nothing of this was stored: reload the page, then book it again; what you typed stays.");
    }
}
