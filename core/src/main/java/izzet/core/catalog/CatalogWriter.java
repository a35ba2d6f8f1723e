package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes boards and parts as files that {@link CatalogReader} reads back to the same. */
public final class CatalogWriter {

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_NULL))
            .build();

    /** What a reader takes for granted, so that it is not written. */
    private static final Map<String, String> GRANTED = Map.of("levels", "logic", "open", "fine");

    private CatalogWriter() {}

    public static String text(CatalogItem item) {
        return text(tree(item));
    }

    public static String text(JsonNode tree) {
        return JSON.writeValueAsString(tree) + "\n";
    }

    /** The document as a tree, without what is empty or granted. */
    public static ObjectNode tree(CatalogItem item) {
        ObjectNode tree = JSON.valueToTree(item);
        slim(tree, item instanceof Part ? List.of("interfaces", "lines", "sources") : List.of("pins", "controllers"));
        return tree;
    }

    private static void slim(JsonNode node, List<String> needed) {
        if (node instanceof ObjectNode object) {
            for (String name : new ArrayList<>(object.propertyNames())) {
                JsonNode value = object.get(name);
                slim(value, List.of());
                boolean granted = value.isString() && value.asString().equals(GRANTED.get(name));
                boolean off = value.isBoolean()
                        && !value.asBoolean()
                        && List.of("anyPin", "removesPullUps").contains(name);
                boolean empty = value.isContainer() && value.isEmpty() && !needed.contains(name);
                if (granted || off || empty) {
                    object.remove(name);
                }
            }
        } else if (node instanceof ArrayNode array) {
            array.forEach(n -> slim(n, List.of()));
        }
    }
}
