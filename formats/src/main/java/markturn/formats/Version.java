package markturn.formats;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** The version of the program: named on pages, in reports and files, so that a number can be traced to what computed it. */
public final class Version {
    private static final String CURRENT = read();

    private Version() {}

    /** Such as {@code 0.2.0}. */
    public static String current() {
        return CURRENT;
    }

    /** The program with its version, as files name it. */
    public static String program() {
        return "Mark Turn " + CURRENT;
    }

    private static String read() {
        try (InputStream in = Version.class.getResourceAsStream("version.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
