package markturn.web.people;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * What is asked of a password: long, not a common one, not the name. Nothing else: rules of signs make people write them down (NIST SP
 * 800-63B, 5.1.1.2; from memory).
 */
final class Passwords {
    static final int SHORTEST = 12;
    /** What the hash takes in. */
    private static final int LONGEST_BYTES = 72;

    private static final Set<String> COMMON = common();

    private Passwords() {}

    /** What is wrong with it, in a sentence; empty where nothing is. */
    static Optional<String> fault(String password, String signInName) {
        String plain = password.toLowerCase(Locale.ROOT);
        if (password.codePointCount(0, password.length()) < SHORTEST) {
            return Optional.of("A password has " + SHORTEST + " signs or more: three or four words are easy to keep");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Optional.of("At most " + LONGEST_BYTES + " signs: what comes behind would not count");
        }
        if (COMMON.contains(plain) || COMMON.contains(stem(plain)) || isOneSign(plain)) {
            return Optional.of("That is one of the first that anybody would try: take another");
        }
        return plain.contains(signInName.toLowerCase(Locale.ROOT))
                ? Optional.of("It holds the sign-in name: take another")
                : Optional.empty();
    }

    /** Without the digits and signs that people put behind a common word to make it long enough. */
    private static String stem(String plain) {
        return plain.replaceAll("[^a-z]+$", "").replaceAll("^[^a-z]+", "");
    }

    private static boolean isOneSign(String plain) {
        return plain.chars().distinct().count() < 4;
    }

    private static Set<String> common() {
        try (InputStream list = Passwords.class.getResourceAsStream("common-passwords.txt");
                BufferedReader lines = new BufferedReader(new InputStreamReader(list, StandardCharsets.UTF_8))) {
            Set<String> common = new HashSet<>();
            lines.lines().filter(line -> !line.startsWith("#")).forEach(common::add);
            return common;
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
