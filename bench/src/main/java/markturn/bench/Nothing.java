package markturn.bench;

/** What a virtual machine costs that has nothing to do: the rival of a command that works on one small file. */
public final class Nothing {
    private Nothing() {}

    public static void main(String[] arguments) {
        // Nothing.
    }
}
