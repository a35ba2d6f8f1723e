package izzet.core.catalog;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** What differs between two versions of a board or part, value by value. */
public final class Differences {

    /** One value. {@code before} or {@code after} is empty where it exists on one side only. */
    public record Difference(String place, String before, String after) {}

    private final List<Difference> found = new ArrayList<>();

    private Differences() {}

    public static List<Difference> between(CatalogItem before, CatalogItem after) {
        Differences differences = new Differences();
        JsonNode a = CatalogWriter.tree(before).without("version");
        JsonNode b = CatalogWriter.tree(after).without("version");
        differences.compare("", a, b);
        return differences.found;
    }

    private void compare(String place, JsonNode a, JsonNode b) {
        if (a.equals(b)) {
            return;
        }
        boolean inside = a.isObject() && b.isObject() || keyed(a) && keyed(b);
        if (!inside) {
            found.add(new Difference(place.strip(), text(a), text(b)));
            return;
        }
        Map<String, JsonNode> left = children(a);
        Map<String, JsonNode> right = children(b);
        Set<String> names = new LinkedHashSet<>(left.keySet());
        names.addAll(right.keySet());
        for (String name : names) {
            String here = place + " " + name;
            if (!left.containsKey(name)) {
                found.add(new Difference(here.strip(), "", text(right.get(name))));
            } else if (!right.containsKey(name)) {
                found.add(new Difference(here.strip(), text(left.get(name)), ""));
            } else {
                compare(here, left.get(name), right.get(name));
            }
        }
    }

    /** A list whose elements have ids is compared by them, so that a line put in between is one difference. */
    private static boolean keyed(JsonNode node) {
        if (!node.isArray() || node.isEmpty()) {
            return false;
        }
        for (JsonNode child : node) {
            if (!child.path("id").isString()) {
                return false;
            }
        }
        return true;
    }

    private static Map<String, JsonNode> children(JsonNode node) {
        Map<String, JsonNode> children = new LinkedHashMap<>();
        if (node.isObject()) {
            node.properties().forEach(e -> children.put(e.getKey(), e.getValue()));
        } else {
            node.forEach(child -> children.put(child.get("id").asString(), child));
        }
        return children;
    }

    private static String text(JsonNode node) {
        return node.isString() ? node.asString() : node.toString();
    }
}
