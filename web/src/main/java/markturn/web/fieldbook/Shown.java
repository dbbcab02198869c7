package markturn.web.fieldbook;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;

/**
 * What a page showed before somebody decided on it: what is booked is what was shown. The page's form carries it as {@code shown}; where it
 * is no longer so, what stands now is shown first.
 */
public final class Shown {
    private static final String FIELD = "shown";
    private static final int BYTES = 16;

    private Shown() {}

    /** What tells something shown from anything else that might be, of its text as it is written in full. */
    public static String of(String written) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(written.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, BYTES);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }

    /** Whether what was posted was decided on what stands now. */
    public static boolean isStill(Map<String, String> typed, String now) {
        return now.equals(typed.get(FIELD));
    }

    /** Whether what was posted was decided on something shown before. */
    public static boolean isSaid(Map<String, String> typed) {
        return !typed.getOrDefault(FIELD, "").isEmpty();
    }
}
