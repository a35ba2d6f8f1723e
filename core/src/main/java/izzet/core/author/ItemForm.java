package izzet.core.author;

import izzet.core.author.Cells.NotReadable;
import izzet.core.catalog.CatalogFault;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The form of a board or a part: which fields and tables there are, and how their texts make a catalogue file and the other way round.
 * A field is named by its place in the file, such as {@code /supply/minVolts} or {@code /lines/3/role}. Immutable. Safe to share.
 *
 * @param groups fields by heading
 * @param sheets tables
 * @param others what only a file can say
 */
public record ItemForm(Map<String, List<Column>> groups, List<Sheet> sheets, List<String> others) {

    /** Name of the field for what has no field of its own, as in a file. */
    public static final String OTHER = "/other";

    /** Most rows of a table. */
    public static final int MOST_ROWS = 200;

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final Pattern MISSING = Pattern.compile("required property '([^']+)' not found");

    /** What is wrong with a field. {@code field} is empty for what belongs to none. */
    public record Problem(String field, String message) {}

    /** The file that the fields make, as far as they could be read, and what could not. */
    public record Reading(ObjectNode tree, List<Problem> problems, Map<String, String> fieldAt) {}

    public ItemForm {
        groups = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(groups));
        sheets = List.copyOf(sheets);
        others = List.copyOf(others);
    }

    // Writing

    /** The text of every field, in the order of the form. */
    public Map<String, String> fieldsOf(ObjectNode item) {
        Map<String, String> fields = new LinkedHashMap<>();
        ObjectNode rest = item.deepCopy();
        groups.values()
                .forEach(group -> group.forEach(column -> {
                    JsonNode value = take(rest, column.path());
                    if (value != null) {
                        fields.put("/" + column.path(), Cells.write(value, column.kind()));
                    }
                }));
        for (Sheet sheet : sheets) {
            JsonNode table = item.at(sheet.pointer());
            int row = 0;
            for (Row r : rowsOf(table, sheet)) {
                for (Column column : sheet.columns()) {
                    JsonNode value = r.get(column.path());
                    if (value != null) {
                        fields.put(sheet.field(row, column), Cells.write(value, column.kind()));
                    }
                }
                row++;
            }
            take(rest, sheet.pointer().substring(1));
        }
        rest.remove("version");
        for (String name : new ArrayList<>(rest.propertyNames())) {
            if (rest.get(name).isObject() && rest.get(name).isEmpty()) {
                rest.remove(name);
            }
        }
        if (!rest.isEmpty()) {
            fields.put(OTHER, JSON.writerWithDefaultPrettyPrinter().writeValueAsString(rest));
        }
        return fields;
    }

    private record Row(String key, JsonNode value, JsonNode outer) {
        JsonNode get(String path) {
            if (path.equals("@key")) {
                return JSON.getNodeFactory().stringNode(key);
            }
            if (path.equals("@value")) {
                return value;
            }
            JsonNode from = path.startsWith("^") ? outer : value;
            JsonNode found = from.at("/" + path.replace("^", ""));
            return found.isMissingNode() ? null : found;
        }
    }

    private static List<Row> rowsOf(JsonNode table, Sheet sheet) {
        List<Row> rows = new ArrayList<>();
        switch (sheet.shape()) {
            case LIST -> table.forEach(n -> rows.add(new Row("", n, n)));
            case MAP -> table.properties().forEach(e -> rows.add(new Row(e.getKey(), e.getValue(), e.getValue())));
            case NESTED ->
                table.forEach(outer -> outer.path(sheet.inner()).forEach(n -> rows.add(new Row("", n, outer))));
        }
        return rows;
    }

    private static JsonNode take(ObjectNode from, String path) {
        int slash = path.indexOf('/');
        if (slash < 0) {
            return from.remove(path);
        }
        return from.get(path.substring(0, slash)) instanceof ObjectNode inner
                ? take(inner, path.substring(slash + 1))
                : null;
    }

    // Reading

    /** Rows of a table that have a text, by their number. */
    public static Set<Integer> rows(Map<String, String> fields, Sheet sheet) {
        Set<Integer> rows = new TreeSet<>();
        String start = sheet.pointer() + "/";
        fields.forEach((name, text) -> {
            if (name.startsWith(start) && !text.isBlank()) {
                int slash = name.indexOf('/', start.length());
                if (slash > 0) {
                    try {
                        rows.add(Integer.parseInt(name.substring(start.length(), slash)));
                    } catch (NumberFormatException e) {
                        // A field of another form; it says nothing here.
                    }
                }
            }
        });
        return rows;
    }

    public Reading read(Map<String, String> fields, int version) {
        Reading reading = new Reading(JSON.createObjectNode(), new ArrayList<>(), new TreeMap<>());
        other(fields, reading);
        reading.tree().put("version", version);
        groups.values()
                .forEach(group -> group.forEach(column ->
                        put(reading, fields, "/" + column.path(), reading.tree(), "", column.path(), column)));
        for (Sheet sheet : sheets) {
            reading.fieldAt().put(sheet.pointer(), sheet.pointer());
            Set<Integer> rows = rows(fields, sheet);
            if (rows.size() > MOST_ROWS) {
                reading.problems()
                        .add(new Problem(
                                sheet.pointer(),
                                sheet.title() + ": " + rows.size() + " rows; " + MOST_ROWS + " are the most."));
                continue;
            }
            switch (sheet.shape()) {
                case LIST -> list(reading, fields, sheet, rows);
                case MAP -> map(reading, fields, sheet, rows);
                case NESTED -> nested(reading, fields, sheet, rows);
            }
        }
        return reading;
    }

    private static void other(Map<String, String> fields, Reading reading) {
        String text = fields.getOrDefault(OTHER, "").strip();
        if (text.isEmpty()) {
            return;
        }
        try {
            if (JSON.readTree(text) instanceof ObjectNode object) {
                reading.tree().setAll(object);
                object.propertyNames().forEach(n -> reading.fieldAt().put("/" + n, OTHER));
            } else {
                reading.problems().add(new Problem(OTHER, "This is one JSON object: { … }."));
            }
        } catch (JacksonException e) {
            var at = e.getLocation();
            reading.problems()
                    .add(new Problem(
                            OTHER,
                            "This is no JSON: " + e.getOriginalMessage()
                                    + (at == null ? "" : " (line " + at.getLineNr() + ")") + "."));
        }
    }

    private void list(Reading reading, Map<String, String> fields, Sheet sheet, Set<Integer> rows) {
        if (rows.isEmpty()) {
            return;
        }
        ArrayNode array = JSON.createArrayNode();
        for (int row : rows) {
            ObjectNode node = array.addObject();
            fill(reading, fields, sheet, row, node, sheet.pointer() + "/" + (array.size() - 1));
        }
        set(reading.tree(), sheet.pointer().substring(1), array);
    }

    private void map(Reading reading, Map<String, String> fields, Sheet sheet, Set<Integer> rows) {
        ObjectNode map = JSON.createObjectNode();
        for (int row : rows) {
            String start = sheet.pointer() + "/" + row + "/";
            String key = fields.getOrDefault(start + "@key", "").strip();
            if (key.isEmpty()) {
                reading.problems().add(new Problem(start + "@key", "needs a name"));
            } else if (map.has(key)) {
                reading.problems().add(new Problem(start + "@key", "'" + key + "' stands here twice"));
            } else if (sheet.columns().stream().anyMatch(c -> c.path().equals("@value"))) {
                map.put(key, fields.getOrDefault(start + "@value", "").strip());
                reading.fieldAt().put(sheet.pointer() + "/" + key, start + "@value");
            } else {
                reading.fieldAt().put(sheet.pointer() + "/" + key, start + "@key");
                fill(reading, fields, sheet, row, map.putObject(key), sheet.pointer() + "/" + key);
            }
        }
        if (!map.isEmpty()) {
            set(reading.tree(), sheet.pointer().substring(1), map);
        }
    }

    private void nested(Reading reading, Map<String, String> fields, Sheet sheet, Set<Integer> rows) {
        Map<String, ObjectNode> outers = new LinkedHashMap<>();
        ArrayNode array = JSON.createArrayNode();
        Column id = sheet.columns().stream()
                .filter(c -> c.path().equals("^id"))
                .findFirst()
                .orElseThrow();
        for (int row : rows) {
            String key = fields.getOrDefault(sheet.field(row, id), "").strip();
            boolean first = !outers.containsKey(key);
            ObjectNode outer = outers.computeIfAbsent(key, k -> array.addObject());
            int number = new ArrayList<>(outers.keySet()).indexOf(key);
            if (first) {
                for (Column column : sheet.columns()) {
                    if (column.path().startsWith("^")) {
                        String path = column.path().substring(1);
                        put(
                                reading,
                                fields,
                                sheet.field(row, column),
                                outer,
                                sheet.pointer() + "/" + number,
                                path,
                                column);
                    }
                }
                outer.putArray(sheet.inner());
            }
            ArrayNode inner = (ArrayNode) outer.get(sheet.inner());
            ObjectNode setting = inner.addObject();
            fill(
                    reading,
                    fields,
                    sheet,
                    row,
                    setting,
                    sheet.pointer() + "/" + number + "/" + sheet.inner() + "/" + (inner.size() - 1));
        }
        if (!array.isEmpty()) {
            set(reading.tree(), sheet.pointer().substring(1), array);
        }
    }

    private static void fill(
            Reading reading, Map<String, String> fields, Sheet sheet, int row, ObjectNode node, String place) {
        for (Column column : sheet.columns()) {
            if (!column.path().startsWith("^") && !column.path().startsWith("@")) {
                put(reading, fields, sheet.field(row, column), node, place, column.path(), column);
            }
        }
    }

    private static void put(
            Reading reading,
            Map<String, String> fields,
            String field,
            ObjectNode into,
            String place,
            String path,
            Column column) {
        reading.fieldAt().put(place + "/" + path, field);
        String text = fields.getOrDefault(field, "").strip();
        if (text.isEmpty()) {
            return;
        }
        try {
            set(into, path, Cells.read(text, column.kind()));
        } catch (NotReadable e) {
            reading.problems().add(new Problem(field, e.getMessage()));
        }
    }

    private static void set(ObjectNode into, String path, JsonNode value) {
        int slash = path.indexOf('/');
        if (slash < 0) {
            into.set(path, value);
            return;
        }
        String head = path.substring(0, slash);
        ObjectNode inner = into.get(head) instanceof ObjectNode object ? object : into.putObject(head);
        set(inner, path.substring(slash + 1), value);
    }

    // What is wrong

    /**
     * The faults of the file at the fields that they come from.
     *
     * @param reading the fields as they were read
     * @param faults of the file that was read
     */
    public List<Problem> problems(Reading reading, List<CatalogFault> faults) {
        Set<Problem> problems = new LinkedHashSet<>(reading.problems());
        Set<String> unread = new LinkedHashSet<>();
        reading.problems().forEach(p -> unread.add(p.field()));
        for (CatalogFault fault : faults) {
            Matcher missing = MISSING.matcher(fault.message());
            String place = missing.find() ? fault.pointer() + "/" + missing.group(1) : fault.pointer();
            String field = fieldOf(reading, place);
            if (!unread.contains(field)) {
                boolean table = sheets.stream().anyMatch(s -> s.pointer().equals(field));
                String message =
                        !missing.reset().find() ? fault.message() : table ? "needs a row at least" : "needs a value";
                problems.add(new Problem(field, message));
            }
        }
        List<String> order = order();
        return problems.stream()
                .sorted(Comparator.comparingInt((Problem p) -> place(order, p.field())))
                .toList();
    }

    private List<String> order() {
        List<String> order = new ArrayList<>();
        groups.values().forEach(g -> g.forEach(c -> order.add("/" + c.path())));
        sheets.forEach(s -> order.add(s.pointer()));
        order.add(OTHER);
        return order;
    }

    private static int place(List<String> order, String field) {
        for (int i = 0; i < order.size(); i++) {
            if (field.equals(order.get(i)) || field.startsWith(order.get(i) + "/")) {
                return i;
            }
        }
        return order.size();
    }

    private static String fieldOf(Reading reading, String pointer) {
        for (String at = byNumber(reading.tree(), pointer); !at.isEmpty(); at = at.substring(0, at.lastIndexOf('/'))) {
            String exact = reading.fieldAt().get(at);
            if (exact != null) {
                return exact;
            }
            String start = at + "/";
            var inside = reading.fieldAt().entrySet().stream()
                    .filter(e -> e.getKey().startsWith(start))
                    .findFirst();
            if (inside.isPresent()) {
                return inside.get().getValue();
            }
        }
        return "";
    }

    /** A place that names an element of a list by its id, with the number in its stead. */
    private static String byNumber(JsonNode tree, String pointer) {
        StringBuilder numbered = new StringBuilder();
        JsonNode at = tree;
        for (String step : pointer.substring(Math.min(1, pointer.length())).split("/")) {
            String next = step;
            if (at.isArray() && !step.matches("\\d+")) {
                for (int i = 0; i < at.size(); i++) {
                    if (step.equals(at.get(i).path("id").asString(""))
                            || step.equals(at.get(i).path("name").asString(""))) {
                        next = String.valueOf(i);
                    }
                }
            }
            numbered.append('/').append(next);
            at = at.isArray() && next.matches("\\d{1,6}") ? at.path(Integer.parseInt(next)) : at.path(next);
        }
        return numbered.toString();
    }
}
