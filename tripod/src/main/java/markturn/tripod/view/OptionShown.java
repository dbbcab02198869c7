package markturn.tripod.view;

/** One of the things a field offers to choose: what is chosen with it, and how it is called. */
public record OptionShown(String value, String words) implements Shown {
    /** Called what it is. */
    public static OptionShown of(String value) {
        return new OptionShown(value, value);
    }

    @Override
    public Sheet sheet() {
        return Sheet.empty().with("value", value).with("words", words);
    }
}
