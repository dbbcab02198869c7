package markturn.survey.adjust;

/** The steps of an adjustment do not come to rest. */
public final class NotConverging extends Exception {
    private static final long serialVersionUID = 1;

    NotConverging() {
        super("the adjustment does not come to rest", null, false, false);
    }
}
