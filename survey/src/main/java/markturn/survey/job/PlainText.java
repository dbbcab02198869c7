package markturn.survey.job;

import java.util.OptionalInt;

/**
 * Text that every page, file and report can carry: what XML 1.0 calls a character (production 2, Char), less the control characters that
 * mean nothing on paper. Tabs and line ends are text; unpaired surrogates, U+FFFE and U+FFFF are not.
 */
public final class PlainText {
    private static final char REPLACEMENT = '\uFFFD';

    private PlainText() {}

    /** Where the first character stands that is no text; empty where all are. */
    public static OptionalInt fault(String text) {
        for (int i = 0; i < text.length(); i++) {
            int sign = text.codePointAt(i);
            if (!isText(sign)) {
                return OptionalInt.of(i);
            }
            if (Character.isSupplementaryCodePoint(sign)) {
                i++;
            }
        }
        return OptionalInt.empty();
    }

    private static boolean isText(int sign) {
        boolean control = sign < 0x20 && sign != '\t' && sign != '\n' && sign != '\r' || sign >= 0x7F && sign < 0xA0;
        boolean surrogate = sign >= Character.MIN_SURROGATE && sign <= Character.MAX_SURROGATE;
        return !control && !surrogate && (sign & 0xFFFE) != 0xFFFE;
    }

    /** The same text with a replacement character (U+FFFD) in the place of whatever is no text. */
    public static String cleaned(String text) {
        if (fault(text).isEmpty()) {
            return text;
        }
        StringBuilder clean = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            int sign = text.codePointAt(i);
            clean.appendCodePoint(isText(sign) ? sign : REPLACEMENT);
            if (Character.isSupplementaryCodePoint(sign)) {
                i++;
            }
        }
        return clean.toString();
    }
}
