package markturn.formats;

import java.io.ByteArrayOutputStream;
import java.io.StringWriter;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Trees of values as JSON: the text in which jobs and entries are kept. */
public final class JsonTrees {
    /** What is stored was bounded when it came in. */
    private static final JsonMapper STORED = JsonMapper.builder().build();

    private JsonTrees() {}

    /** A tree on one line. */
    public static String line(Tree tree) {
        StringWriter line = new StringWriter();
        try (JsonGenerator text = STORED.createGenerator(line)) {
            write(tree, text);
        }
        return line.toString();
    }

    /** A tree over lines, as a file in UTF-8. */
    static byte[] file(Tree tree) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (JsonGenerator text = StrictJson.MAPPER.createGenerator(bytes)) {
            write(tree, text);
        }
        return bytes.toByteArray();
    }

    private static void write(Tree tree, JsonGenerator text) {
        if (tree instanceof Fields fields) {
            text.writeStartObject();
            fields.all().forEach((key, value) -> {
                text.writeName(key);
                write(value, text);
            });
            text.writeEndObject();
        } else if (tree instanceof Items items) {
            text.writeStartArray();
            items.forEach(each -> write(each, text));
            text.writeEndArray();
        } else if (tree instanceof Tree.Text words) {
            text.writeString(words.value());
        } else if (tree instanceof Tree.Flag flag) {
            text.writeBoolean(flag.value());
        } else if (tree instanceof Tree.Amount amount) {
            write(amount, text);
        } else {
            text.writeNull();
        }
    }

    private static void write(Tree.Amount amount, JsonGenerator text) {
        if (amount.digits().isPresent()) {
            text.writeNumber(amount.digits().get());
        } else if (amount.whole()) {
            text.writeNumber((long) amount.value());
        } else {
            text.writeNumber(amount.value());
        }
    }

    /** Reads what {@link #line} wrote. What is no JSON is damage, and ends in the parser's own exception. */
    public static Tree read(String line) {
        try (JsonParser text = STORED.createParser(line)) {
            text.nextToken();
            return next(text);
        }
    }

    /**
     * Reads what came from outside, strictly.
     *
     * @throws FaultyFile where it is no JSON, or more than anybody would send
     */
    public static Tree foreign(byte[] text) throws FaultyFile {
        return tree(StrictJson.parse(text));
    }

    /** The value at which the text stands, without a second tree between. */
    private static Tree next(JsonParser text) {
        return switch (text.currentToken()) {
            case START_OBJECT -> {
                Fields fields = new Fields();
                for (String key = text.nextName(); key != null; key = text.nextName()) {
                    text.nextToken();
                    fields.put(key, next(text));
                }
                yield fields;
            }
            case START_ARRAY -> {
                Items items = new Items();
                while (text.nextToken() != JsonToken.END_ARRAY) {
                    items.add(next(text));
                }
                yield items;
            }
            case VALUE_STRING -> new Tree.Text(text.getString());
            case VALUE_TRUE, VALUE_FALSE -> new Tree.Flag(text.getBooleanValue());
            case VALUE_NUMBER_INT -> Tree.Amount.of(text.getLongValue());
            case VALUE_NUMBER_FLOAT -> Tree.Amount.of(text.getDoubleValue());
            default -> Tree.NOTHING;
        };
    }

    static Tree tree(JsonNode node) {
        if (node.isObject()) {
            Fields fields = new Fields();
            node.properties().forEach(each -> fields.put(each.getKey(), tree(each.getValue())));
            return fields;
        } else if (node.isArray()) {
            Items items = new Items();
            node.forEach(each -> items.add(tree(each)));
            return items;
        } else if (node.isString()) {
            return new Tree.Text(node.asString());
        } else if (node.isBoolean()) {
            return new Tree.Flag(node.booleanValue());
        } else if (node.isNumber()) {
            return Tree.Amount.of(node.isIntegralNumber() ? (Number) node.longValue() : (Number) node.doubleValue());
        }
        return Tree.NOTHING;
    }
}
