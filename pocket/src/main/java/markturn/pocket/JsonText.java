package markturn.pocket;

import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Amount;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;

/**
 * Trees of values as JSON (RFC 8259), read strictly: a key stands once, nothing stands behind the end, nothing is nested deeper than any
 * file of this program. Written by hand, as the libraries of the server lean on reflection.
 */
final class JsonText {
    private static final int DEEPEST = 40;
    private static final String HEXADECIMAL = "0123456789abcdef";

    private final String text;
    private int at;
    private int depth;

    private JsonText(String text) {
        this.text = text;
    }

    /**
     * Reads a text.
     *
     * @throws IllegalArgumentException that says where it is no JSON, and what was expected there
     */
    static Tree read(String text) {
        JsonText reader = new JsonText(text);
        Tree tree = reader.value();
        reader.skipBlanks();
        if (reader.at < text.length()) {
            throw reader.fault("the end");
        }
        return tree;
    }

    private Tree value() {
        skipBlanks();
        if (at == text.length()) {
            throw fault("a value");
        }
        char sign = text.charAt(at);
        return switch (sign) {
            case '{' -> fields();
            case '[' -> items();
            case '"' -> new Tree.Text(quoted());
            case 't' -> word("true", new Tree.Flag(true));
            case 'f' -> word("false", new Tree.Flag(false));
            case 'n' -> word("null", Tree.NOTHING);
            default -> number();
        };
    }

    private Fields fields() {
        deeper();
        Fields fields = new Fields();
        for (boolean first = true; !ends('}', first); first = false) {
            skipBlanks();
            if (at == text.length() || text.charAt(at) != '"') {
                throw fault("a key");
            }
            String key = quoted();
            if (fields.all().containsKey(key)) {
                throw fault("each key once, not \"" + key + "\" again");
            }
            require(':');
            fields.put(key, value());
        }
        depth--;
        return fields;
    }

    private Items items() {
        deeper();
        Items items = new Items();
        for (boolean first = true; !ends(']', first); first = false) {
            items.add(value());
        }
        depth--;
        return items;
    }

    private void deeper() {
        at++;
        if (++depth > DEEPEST) {
            throw fault("at most " + DEEPEST + " levels");
        }
    }

    /** Whether it ends here; else a comma is taken, but before the first. */
    private boolean ends(char end, boolean first) {
        skipBlanks();
        if (at < text.length() && text.charAt(at) == end) {
            at++;
            return true;
        }
        if (!first) {
            require(',');
        }
        return false;
    }

    private void require(char sign) {
        skipBlanks();
        if (at == text.length() || text.charAt(at) != sign) {
            throw fault("\"" + sign + "\"");
        }
        at++;
    }

    private Tree word(String word, Tree tree) {
        if (!text.startsWith(word, at)) {
            throw fault("a value");
        }
        at += word.length();
        return tree;
    }

    private Tree number() {
        int begin = at;
        take('-');
        int whole = digits();
        if (whole == 0 || whole > 1 && text.charAt(at - whole) == '0') {
            throw fault("a number");
        }
        boolean decimal = take('.');
        if (decimal && digits() == 0) {
            throw fault("a decimal");
        }
        if (take('e') || take('E')) {
            decimal = true;
            if (!take('+')) {
                take('-');
            }
            if (digits() == 0) {
                throw fault("an exponent");
            }
        }
        String number = text.substring(begin, at);
        double value = Double.parseDouble(number);
        if (Double.isInfinite(value)) {
            throw fault("a finite number");
        }
        return decimal || Math.abs(value) > Long.MAX_VALUE ? Amount.of(value) : Amount.of(Long.parseLong(number));
    }

    private boolean take(char sign) {
        boolean taken = at < text.length() && text.charAt(at) == sign;
        at += taken ? 1 : 0;
        return taken;
    }

    private int digits() {
        int begin = at;
        while (at < text.length() && text.charAt(at) >= '0' && text.charAt(at) <= '9') {
            at++;
        }
        return at - begin;
    }

    private String quoted() {
        at++;
        int plain = at;
        while (plain < text.length()
                && text.charAt(plain) != '"'
                && text.charAt(plain) != '\\'
                && text.charAt(plain) >= ' ') {
            plain++;
        }
        StringBuilder words = new StringBuilder(text.substring(at, plain));
        at = plain;
        while (at < text.length() && text.charAt(at) != '"') {
            char sign = text.charAt(at++);
            if (sign < ' ') {
                throw fault("no control sign within a text");
            }
            words.append(sign == '\\' ? escaped() : sign);
        }
        if (at == text.length()) {
            throw fault("the end of a text");
        }
        at++;
        return words.toString();
    }

    private char escaped() {
        if (at == text.length()) {
            throw fault("an escaped sign");
        }
        char sign = text.charAt(at++);
        return switch (sign) {
            case '"', '\\', '/' -> sign;
            case 'b' -> '\b';
            case 'f' -> '\f';
            case 'n' -> '\n';
            case 'r' -> '\r';
            case 't' -> '\t';
            case 'u' -> unicode();
            default -> throw fault("an escaped sign");
        };
    }

    private char unicode() {
        int code = 0;
        for (int i = 0; i < 4; i++) {
            int digit = at < text.length() ? HEXADECIMAL.indexOf(Character.toLowerCase(text.charAt(at))) : -1;
            if (digit < 0) {
                throw fault("four hexadecimal digits");
            }
            code = 16 * code + digit;
            at++;
        }
        return (char) code;
    }

    private void skipBlanks() {
        while (at < text.length() && " \t\r\n".indexOf(text.charAt(at)) >= 0) {
            at++;
        }
    }

    private IllegalArgumentException fault(String expected) {
        String before = text.substring(0, Math.min(at, text.length()));
        int line = 1 + (int) before.chars().filter(sign -> sign == '\n').count();
        int column = before.length() - before.lastIndexOf('\n');
        return new IllegalArgumentException(
                "not valid JSON at line " + line + ", column " + column + ": expected " + expected);
    }

    /** A tree on one line. */
    static String write(Tree tree) {
        StringBuilder to = new StringBuilder();
        write(tree, to);
        return to.toString();
    }

    private static void write(Tree tree, StringBuilder to) {
        if (tree instanceof Fields fields) {
            String separator = "{";
            for (var field : fields.all().entrySet()) {
                quote(field.getKey(), to.append(separator));
                write(field.getValue(), to.append(':'));
                separator = ",";
            }
            to.append(fields.all().isEmpty() ? "{}" : "}");
        } else if (tree instanceof Items items) {
            String separator = "[";
            for (Tree item : items) {
                write(item, to.append(separator));
                separator = ",";
            }
            to.append(items.size() == 0 ? "[]" : "]");
        } else if (tree instanceof Tree.Text words) {
            quote(words.value(), to);
        } else if (tree instanceof Tree.Flag flag) {
            to.append(flag.value());
        } else if (tree instanceof Amount amount) {
            number(amount, to);
        } else {
            to.append("null");
        }
    }

    private static void number(Amount amount, StringBuilder to) {
        if (amount.digits().isPresent()) {
            to.append(amount.digits().get().toPlainString());
        } else if (amount.whole()) {
            to.append((long) amount.value());
        } else {
            to.append(amount.value());
        }
    }

    private static void quote(String words, StringBuilder to) {
        to.append('"');
        for (int i = 0; i < words.length(); i++) {
            char sign = words.charAt(i);
            if (sign == '"' || sign == '\\') {
                to.append('\\').append(sign);
            } else if (sign < ' ') {
                to.append("\\u00").append(HEXADECIMAL.charAt(sign >> 4)).append(HEXADECIMAL.charAt(sign & 15));
            } else {
                to.append(sign);
            }
        }
        to.append('"');
    }
}
