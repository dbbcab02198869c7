package markturn.formats;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import com.networknt.schema.path.PathType;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import markturn.fieldbook.wire.Fault;
import tools.jackson.databind.JsonNode;

/** Holds a document against one of the published schemas, and says each deviation in words of its own. */
final class SchemaCheck {
    private static final int MOST_FAULTS = 50;

    private final JsonNode schemaText;
    private final Schema schema;

    /** A schema by its file name among the resources of this package. */
    SchemaCheck(String file) {
        try (InputStream in = SchemaCheck.class.getResourceAsStream(file)) {
            this.schemaText = StrictJson.MAPPER.readTree(in);
            SchemaRegistryConfig config =
                    SchemaRegistryConfig.builder().pathType(PathType.JSON_PATH).build();
            this.schema = SchemaRegistry.withDefaultDialect(
                            SpecificationVersion.DRAFT_2020_12, builder -> builder.schemaRegistryConfig(config))
                    .getSchema(schemaText);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** Every deviation, in the order of the document; empty where it conforms. */
    List<Fault> check(JsonNode document) {
        List<Fault> faults = new ArrayList<>();
        for (Error error : schema.validate(document)) {
            if (faults.size() == MOST_FAULTS) {
                faults.add(new Fault("$", "", "and more faults of this kind"));
                break;
            }
            faults.add(fault(error));
        }
        return faults;
    }

    private Fault fault(Error error) {
        String path = error.getInstanceLocation().toString();
        String value =
                error.getInstanceNode() == null || error.getInstanceNode().isContainer()
                        ? ""
                        : error.getInstanceNode().toString();
        String expected = "expected " + description(error);
        return switch (error.getKeyword()) {
            case "required" ->
                new Fault(
                        path + "." + error.getProperty(),
                        "",
                        "missing: expected " + description(error, error.getProperty()));
            case "additionalProperties" ->
                new Fault(path + "." + error.getProperty(), "", "unknown key; own keys begin with x-");
            case "type" -> new Fault(path, value.isEmpty() ? kind(error.getInstanceNode()) : value, expected);
            case "maxItems" -> new Fault(path, "", "too many entries");
            case "minItems" -> new Fault(path, "", expected);
            case "maxLength" -> new Fault(path, value, "too long: " + expected);
            default -> new Fault(path, value, expected);
        };
    }

    private static String kind(JsonNode node) {
        if (node == null || node.isNull()) {
            return "null";
        }
        return node.isArray() ? "a list" : "an object";
    }

    private String description(Error error) {
        return description(parent(error));
    }

    private String description(Error error, String property) {
        JsonNode described = parent(error).path("properties").path(property);
        return description(described);
    }

    private String description(JsonNode node) {
        JsonNode at = node;
        if (at.has("$ref") && !at.has("description")) {
            at = schemaText.at(at.get("$ref").asString().substring(1));
        }
        return at.path("description").asString("what the schema says");
    }

    /** The schema that holds the keyword: the location less its last step. */
    private JsonNode parent(Error error) {
        String pointer = error.getSchemaLocation().getFragment().toString().replaceFirst("^#", "");
        if (!pointer.startsWith("/")) {
            return error.getSchemaLocation().getFragment().getNameCount() <= 1 ? schemaText : fromDots(error);
        }
        return schemaText.at(pointer.substring(0, pointer.lastIndexOf('/')));
    }

    private JsonNode fromDots(Error error) {
        var path = error.getSchemaLocation().getFragment();
        JsonNode at = schemaText;
        for (int i = 0; i < path.getNameCount() - 1; i++) {
            at = at.path(String.valueOf(path.getElement(i)));
        }
        return at;
    }
}
