package markturn.tripod.view;

import java.util.List;

/**
 * Fields of one thing that is drawn, written as a JSON object (RFC 8259) in the order they come. What says nothing is left out: an empty
 * text, a flag that is down, a list without rows; a template asks for it as for something that is not there.
 *
 * <p>Written by hand, not by reflection: the same text is made on the server and in a browser. Signs that could end a block of data within
 * a page are escaped.
 */
public final class Sheet {
    private static final String HEXADECIMAL = "0123456789abcdef";

    private final StringBuilder text = new StringBuilder("{");

    /** Without a field yet. */
    public static Sheet empty() {
        return new Sheet();
    }

    /** With words; empty ones are left out. */
    public Sheet with(String name, String words) {
        if (!words.isEmpty()) {
            quote(words, named(name));
        }
        return this;
    }

    /** With a flag; one that is down is left out. */
    public Sheet with(String name, boolean flag) {
        if (flag) {
            named(name).append("true");
        }
        return this;
    }

    /** With a number that a script counts or places by. */
    public Sheet with(String name, long number) {
        named(name).append(number);
        return this;
    }

    /** With numbers that a script places by; none are left out. */
    public Sheet with(String name, int[] numbers) {
        if (numbers.length > 0) {
            StringBuilder to = named(name).append('[');
            for (int i = 0; i < numbers.length; i++) {
                to.append(i == 0 ? "" : ",").append(numbers[i]);
            }
            to.append(']');
        }
        return this;
    }

    /** With something that is drawn within; without a field it is left out. */
    public Sheet with(String name, Shown part) {
        return with(name, part.sheet());
    }

    /** With fields of its own; without one it is left out. */
    public Sheet with(String name, Sheet part) {
        if (!part.isEmpty()) {
            named(name).append(part.json());
        }
        return this;
    }

    /** With rows; none are left out. */
    public Sheet with(String name, List<? extends Shown> rows) {
        if (!rows.isEmpty()) {
            StringBuilder to = named(name).append('[');
            for (int i = 0; i < rows.size(); i++) {
                to.append(i == 0 ? "" : ",").append(rows.get(i).sheet().json());
            }
            to.append(']');
        }
        return this;
    }

    /** With words one beneath the other; none are left out. */
    public Sheet withWords(String name, List<String> words) {
        if (!words.isEmpty()) {
            StringBuilder to = named(name).append('[');
            for (int i = 0; i < words.size(); i++) {
                quote(words.get(i), i == 0 ? to : to.append(','));
            }
            to.append(']');
        }
        return this;
    }

    /** Whether it has no field. */
    public boolean isEmpty() {
        return text.length() == 1;
    }

    /** As an object. */
    public String json() {
        return text + "}";
    }

    private StringBuilder named(String name) {
        if (!isEmpty()) {
            text.append(',');
        }
        quote(name, text);
        return text.append(':');
    }

    /** Writes a text with its quotes. */
    static void quote(String words, StringBuilder to) {
        to.append('"');
        for (int i = 0; i < words.length(); i++) {
            char sign = words.charAt(i);
            switch (sign) {
                case '"' -> to.append("\\\"");
                case '\\' -> to.append("\\\\");
                case '\n' -> to.append("\\n");
                default -> {
                    if (sign < ' ' || sign == '<' || sign == '\u2028' || sign == '\u2029') {
                        to.append("\\u");
                        for (int shift = 12; shift >= 0; shift -= 4) {
                            to.append(HEXADECIMAL.charAt(sign >> shift & 15));
                        }
                    } else {
                        to.append(sign);
                    }
                }
            }
        }
        to.append('"');
    }
}
