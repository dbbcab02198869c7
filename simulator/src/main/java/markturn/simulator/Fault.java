package markturn.simulator;

/** Slips that can be switched on, so that they are met in practice before they are met in earnest. */
public enum Fault {
    BUMPED_LEG("bumped-leg", "somebody knocks a leg half way through"),
    WRONG_POLE_HEIGHT("wrong-pole-height", "a pole stands 100 mm higher than booked"),
    WRONG_PRISM("wrong-prism", "another prism, its constant 30 mm off, stands on a target"),
    WRONG_TARGET("wrong-target", "one pointing goes to the neighbouring mark"),
    MARK_MOVED("mark-moved", "a control mark was knocked 60 mm"),
    MISREAD_DIGIT("misread-digit", "one circle is read ten minutes off");

    private final String key;
    private final String words;

    Fault(String key, String words) {
        this.key = key;
        this.words = words;
    }

    /** The word by which entries and forms know it. */
    public String key() {
        return key;
    }

    public String words() {
        return words;
    }
}
