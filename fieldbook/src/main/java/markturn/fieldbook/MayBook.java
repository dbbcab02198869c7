package markturn.fieldbook;

/** Who may book an entry. Whoever is named by none books nothing. */
public enum MayBook {
    SURVEYOR("a surveyor"),
    REVIEWER("a reviewer"),
    SURVEYOR_OR_REVIEWER("a surveyor or a reviewer");

    private final String words;

    MayBook(String words) {
        this.words = words;
    }

    /** With an article, for a sentence. */
    public String words() {
        return words;
    }

    /** Whether somebody with these roles may. */
    public boolean includes(boolean surveyor, boolean reviewer) {
        return switch (this) {
            case SURVEYOR -> surveyor;
            case REVIEWER -> reviewer;
            case SURVEYOR_OR_REVIEWER -> surveyor || reviewer;
        };
    }
}
