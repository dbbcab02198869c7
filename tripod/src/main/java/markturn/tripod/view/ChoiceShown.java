package markturn.tripod.view;

/** One of a row of choices: what is chosen with it, how it is called, and whether it is chosen. */
public record ChoiceShown(String value, String words, boolean chosen) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty().with("value", value).with("words", words).with("pressed", String.valueOf(chosen));
    }
}
