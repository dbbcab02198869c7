package markturn.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import markturn.fieldbook.wire.Fault;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON taken strictly: UTF-8, no duplicate keys, no NaN, nothing behind the end, nothing enormous or deeply nested. */
final class StrictJson {
    /** Enough for 100 000 readings. */
    static final int LARGEST_FILE = 64 * 1024 * 1024;

    /** Four for each of 250 000 readings or marks. */
    private static final int MOST_CONTAINERS = 1_000_000;

    private static final int MOST_VALUES = 12_000_000;
    private static final double LARGEST_NUMBER = 1e15;
    private static final int DEEPEST = 40;
    private static final int LONGEST_TEXT = 20_000;
    private static final int LONGEST_NUMBER = 60;

    static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxStringLength(LONGEST_TEXT)
                            .maxNameLength(200)
                            .maxNumberLength(LONGEST_NUMBER)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private StrictJson() {}

    /** Parses a file, or says in one fault why it cannot be; what it holds is counted first. */
    static JsonNode parse(byte[] file) throws FaultyFile {
        if (file.length == 0) {
            throw fault("the file is empty; expected a job file");
        }
        if (file.length > LARGEST_FILE) {
            throw fault("the file has %d MB; at most %d MB are read".formatted(file.length >> 20, LARGEST_FILE >> 20));
        }
        String text = decode(file);
        try {
            requireBounds(text);
            JsonNode node = MAPPER.readTree(text);
            if (node == null || node.isMissingNode()) {
                throw fault("the file holds nothing; expected a job file");
            }
            List<Fault> infinite = new ArrayList<>();
            refuseInfinite(node, "$", infinite);
            if (!infinite.isEmpty()) {
                throw new FaultyFile(infinite);
            }
            return node;
        } catch (JacksonException unreadable) {
            var location = unreadable.getLocation();
            String where = location == null
                    ? ""
                    : " at line %d, column %d".formatted(location.getLineNr(), location.getColumnNr());
            throw fault("not valid JSON" + where + ": " + firstLine(unreadable.getOriginalMessage()));
        }
    }

    /** Counted while reading, before anything is built of it: 64 MB of empty lists would fill the memory many times over. */
    private static void requireBounds(String text) throws FaultyFile {
        int containers = 0;
        int values = 0;
        try (JsonParser parser = MAPPER.createParser(text)) {
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                containers += token == JsonToken.START_ARRAY || token == JsonToken.START_OBJECT ? 1 : 0;
                values++;
                if (containers > MOST_CONTAINERS || values > MOST_VALUES) {
                    throw fault(
                            "the file holds more than %d lists and objects, or %d values: expected a job of at most some 100 000 readings"
                                    .formatted(MOST_CONTAINERS, MOST_VALUES));
                }
            }
        }
    }

    /** A number such as 1e999 parses and becomes infinite, and one beyond 64 bits breaks what counts in them: neither is a measurement. */
    private static void refuseInfinite(JsonNode node, String path, List<Fault> faults) {
        if (node.isNumber() && !(Math.abs(node.doubleValue()) <= LARGEST_NUMBER)) {
            faults.add(new Fault(path, "a number beyond all bounds", "expected a finite number"));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                refuseInfinite(node.get(i), path + "[" + i + "]", faults);
            }
        } else if (node.isObject()) {
            node.properties().forEach(e -> refuseInfinite(e.getValue(), path + "." + e.getKey(), faults));
        }
    }

    private static String decode(byte[] file) throws FaultyFile {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(file))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException binary) {
            throw fault("not a text file in UTF-8; expected a job file");
        }
    }

    private static String firstLine(String message) {
        String line = message == null ? "" : message.lines().findFirst().orElse("");
        return line.replaceAll("\\(through reference chain.*", "")
                .replaceAll("\\p{Cntrl}", "?")
                .strip();
    }

    private static FaultyFile fault(String expected) {
        return new FaultyFile(List.of(new Fault("$", "", expected)));
    }
}
