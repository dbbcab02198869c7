package markturn.tripod.view;

import java.nio.charset.StandardCharsets;

/**
 * Names of setups and marks as parts of addresses. People call a mark {@code 12/3} or {@code A#2}, and servers refuse such signs in a path
 * even where they are escaped: here each becomes a tilde with its bytes in hexadecimal.
 */
public final class NameInAddress {
    private static final String DIGITS = "0123456789ABCDEF";

    private NameInAddress() {}

    /**
     * A name as one part of an address: letters, digits, spaces and the signs that mean nothing there as they are.
     *
     * @param name any text; empty stays empty
     */
    public static String of(String name) {
        boolean dots = !name.isEmpty() && name.chars().allMatch(sign -> sign == '.');
        StringBuilder segment = new StringBuilder();
        name.codePoints().forEach(sign -> {
            boolean plain = Character.isLetterOrDigit(sign) || " _-".indexOf(sign) >= 0 || sign == '.' && !dots;
            if (plain) {
                segment.appendCodePoint(sign);
            } else {
                escape(new String(Character.toChars(sign)), '~', segment);
            }
        });
        return segment.toString();
    }

    /** A text as a value behind the question mark of an address, escaped after RFC 3986. */
    public static String value(String text) {
        StringBuilder value = new StringBuilder();
        text.codePoints().forEach(sign -> {
            boolean plain = sign < 128 && (Character.isLetterOrDigit(sign) || "-._~".indexOf(sign) >= 0);
            if (plain) {
                value.appendCodePoint(sign);
            } else {
                escape(new String(Character.toChars(sign)), '%', value);
            }
        });
        return value.toString();
    }

    /** The name that a part of an address stands for. */
    public static String read(String segment) {
        StringBuilder name = new StringBuilder();
        int at = 0;
        while (at < segment.length()) {
            int end = at;
            while (isEscaped(segment, end)) {
                end += 3;
            }
            if (end == at) {
                name.append(segment.charAt(at++));
            } else {
                name.append(unescaped(segment, at, end));
                at = end;
            }
        }
        return name.toString();
    }

    private static boolean isEscaped(String segment, int at) {
        return at + 2 < segment.length()
                && segment.charAt(at) == '~'
                && DIGITS.indexOf(segment.charAt(at + 1)) >= 0
                && DIGITS.indexOf(segment.charAt(at + 2)) >= 0;
    }

    private static String unescaped(String segment, int from, int to) {
        byte[] bytes = new byte[(to - from) / 3];
        for (int i = 0; i < bytes.length; i++) {
            int at = from + 3 * i;
            bytes[i] = (byte) (16 * DIGITS.indexOf(segment.charAt(at + 1)) + DIGITS.indexOf(segment.charAt(at + 2)));
        }
        return new String(bytes, StandardCharsets.UTF_8);
    }

    private static void escape(String text, char sign, StringBuilder to) {
        for (byte one : text.getBytes(StandardCharsets.UTF_8)) {
            to.append(sign).append(DIGITS.charAt(one >> 4 & 15)).append(DIGITS.charAt(one & 15));
        }
    }
}
