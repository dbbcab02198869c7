package markturn.web.phone;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;

/** Writes an address as a QR code to the terminal, for the start command. */
public final class TerminalCode {
    private TerminalCode() {}

    /** @param arguments the address alone */
    public static void main(String[] arguments) {
        if (arguments.length != 1) {
            throw new IllegalArgumentException("expected one address, not " + arguments.length + " arguments");
        }
        new PrintStream(System.out, true, StandardCharsets.UTF_8).print(new QrCode(arguments[0]).inHalfBlocks());
    }
}
