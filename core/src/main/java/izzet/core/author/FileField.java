package izzet.core.author;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * One place of a catalogue file as its schema describes it. Beside what JSON Schema knows, a schema tells with {@code title} that people fill
 * the place in, and with {@code unit}, {@code hint}, {@code group}, {@code row}, {@code rare} and {@code form} how a form asks for it.
 *
 * @param schema the whole, for what others refer to
 * @param node the place's own part of it
 */
record FileField(JsonNode schema, JsonNode node) {

    private static final String DEFINITIONS = "#/";
    private static final String LEVEL = "#/$defs/level";

    /** The whole file. */
    static FileField of(JsonNode schema) {
        return new FileField(schema, schema);
    }

    /** Of what it refers to, unless it says otherwise itself. */
    private JsonNode of(String keyword) {
        if (node.has(keyword)) {
            return node.get(keyword);
        }
        String reference = node.path("$ref").asString("");
        return reference.startsWith(DEFINITIONS)
                ? schema.at(reference.substring(1)).path(keyword)
                : schema.path("no such place");
    }

    private String text(String keyword) {
        return of(keyword).asString("");
    }

    private FileField at(JsonNode other) {
        return new FileField(schema, other);
    }

    /** A place within this one. */
    record Named(String name, FileField field) {}

    /** In the order of the schema, which is that of forms. */
    List<Named> properties() {
        List<Named> all = new ArrayList<>();
        of("properties").properties().forEach(p -> all.add(new Named(p.getKey(), at(p.getValue()))));
        return all;
    }

    boolean needs(String property) {
        for (JsonNode name : of("required")) {
            if (name.asString().equals(property)) {
                return true;
            }
        }
        return false;
    }

    /** Empty for what forms leave to the file. */
    String title() {
        String title = text("title");
        return unit().isEmpty() ? title : title + ", " + unit();
    }

    String unit() {
        return text("unit");
    }

    String hint() {
        return text("hint");
    }

    String group() {
        return text("group");
    }

    /** What a row of it is called; empty for what is no table. */
    String row() {
        return text("row");
    }

    String description() {
        return isLevel() ? node.path("description").asString("") : text("description");
    }

    boolean rare() {
        return of("rare").asBoolean(false);
    }

    private boolean is(String type) {
        return type.equals(text("type"));
    }

    /** Whether there are fields within it, not rows and not a single value. */
    boolean isObject() {
        return is("object") && of("properties").isObject();
    }

    boolean isMap() {
        return is("object") && !isObject();
    }

    boolean isList() {
        return is("array");
    }

    boolean isLevel() {
        return LEVEL.equals(node.path("$ref").asString(""));
    }

    /** What stands there, for people. */
    String holds() {
        if (!choices().isEmpty()) {
            return String.join(", ", choices());
        }
        if (isMap()) {
            return "by name: " + each().holds();
        }
        if (isList()) {
            return "list: " + each().holds();
        }
        if (isLevel()) {
            return "ratio of the supply, and volts";
        }
        return switch (text("type")) {
            case "string" -> "text";
            case "integer" -> "whole number";
            case "number" -> "number";
            case "boolean" -> "true, false";
            default -> text("type");
        };
    }

    /** What stands in each row of a table, or in a list. */
    FileField each() {
        return at(isMap() ? of("additionalProperties") : of("items"));
    }

    /** What the names of a map are. */
    FileField names() {
        return at(of("propertyNames"));
    }

    List<String> choices() {
        List<String> choices = new ArrayList<>();
        of("enum").forEach(c -> choices.add(c.asString()));
        return choices;
    }

    /** @throws IllegalStateException for a place that no field can hold */
    Column.Kind kind() {
        if (node.has("form")) {
            return Column.Kind.valueOf(node.get("form").asString().toUpperCase(Locale.ROOT));
        }
        if (isLevel()) {
            return Column.Kind.LEVEL;
        }
        if (!choices().isEmpty()) {
            return Column.Kind.CHOICE;
        }
        return switch (text("type")) {
            case "string" -> Column.Kind.TEXT;
            case "integer" -> Column.Kind.INTEGER;
            case "number" -> Column.Kind.NUMBER;
            case "boolean" -> Column.Kind.YES_NO;
            case "array" -> each().is("integer") ? Column.Kind.INTEGERS : Column.Kind.WORDS;
            case "object" -> Column.Kind.PAIRS;
            default -> throw new IllegalStateException("no field can hold " + node);
        };
    }

    /** @param path as {@link Column} has it */
    Column column(String path) {
        Column.Kind kind = kind();
        List<String> choices = kind == Column.Kind.YES_NO ? List.of("yes", "no") : choices();
        return new Column(path, title(), kind, choices, hint(), rare());
    }

    /** What the schema asks of a value, for people: {@code above 0}, {@code 0 to 3}. */
    Optional<String> limits() {
        JsonNode over = of("exclusiveMinimum");
        JsonNode least = of("minimum");
        JsonNode most = of("maximum");
        if (!least.isMissingNode() && !most.isMissingNode()) {
            return Optional.of(least.asString() + " to " + most.asString());
        }
        if (!over.isMissingNode()) {
            return Optional.of("above " + over.asString());
        }
        if (!least.isMissingNode()) {
            return Optional.of("from " + least.asString());
        }
        JsonNode letters = of("maxLength");
        if (!letters.isMissingNode()) {
            return Optional.of("up to " + letters.asString() + " characters");
        }
        JsonNode pattern = of("pattern");
        return pattern.isMissingNode() ? Optional.empty() : Optional.of("as " + pattern.asString());
    }
}
