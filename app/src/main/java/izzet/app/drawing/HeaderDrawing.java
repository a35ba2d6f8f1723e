package izzet.app.drawing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * The header of a part or board as it lies in front of you, from its file. The file may be unfinished: what cannot be placed is left out.
 * A part's pins stand in one row. A board's strips stand at its two edges, as its {@code layout} says; without one, in the order of the
 * file, left and right in turn, and where numbers run on from one strip to the next they run round the board, as on a chip.
 *
 * @param holes pins
 * @param outlines boards or modules that the pins are on
 */
public record HeaderDrawing(int width, int height, List<Hole> holes, List<Outline> outlines) {

    private static final int PITCH = 22;
    private static final int EDGE = 24;

    /**
     * @param side where its label stands: {@code left}, {@code right} or {@code below}
     * @param look {@code ground}, {@code supply} or {@code signal}
     */
    public record Hole(int x, int y, String place, String label, String side, String look) {}

    public record Outline(int x, int y, int width, int height) {}

    public HeaderDrawing {
        holes = List.copyOf(holes);
        outlines = List.copyOf(outlines);
    }

    public static HeaderDrawing of(JsonNode file, boolean board) {
        return board ? board(file) : part(file);
    }

    private static HeaderDrawing part(JsonNode file) {
        List<JsonNode> lines = new ArrayList<>();
        file.path("lines").forEach(l -> {
            if (l.path("header").isInt()) {
                lines.add(l);
            }
        });
        lines.sort(Comparator.comparingInt(l -> l.get("header").asInt()));
        List<Hole> holes = new ArrayList<>();
        int x = EDGE;
        int before = 0;
        for (JsonNode line : lines) {
            int place = line.get("header").asInt();
            x += before == 0 ? 0 : PITCH * Math.max(1, Math.min(4, place - before));
            before = place;
            String role = line.path("role").asString("");
            String look = role.equals("ground") || role.equals("return")
                    ? "ground"
                    : role.equals("supply") ? "supply" : "signal";
            holes.add(new Hole(x, EDGE, String.valueOf(place), line.path("id").asString(""), "below", look));
        }
        int width = x + EDGE;
        int longest = holes.stream().mapToInt(h -> h.label().length()).max().orElse(0);
        int height = EDGE + 40 + 8 * longest;
        return new HeaderDrawing(
                width, height, holes, holes.isEmpty() ? List.of() : List.of(new Outline(4, 4, width - 8, height - 8)));
    }

    private static HeaderDrawing board(JsonNode file) {
        Map<String, List<JsonNode>> strips = new LinkedHashMap<>();
        file.path("pins").forEach(p -> strips.computeIfAbsent(p.path("group").asString(""), g -> new ArrayList<>())
                .add(p));
        Map<String, List<JsonNode>> sides = sides(file, strips);
        int longest = 0;
        for (List<JsonNode> strip : strips.values()) {
            for (JsonNode pin : strip) {
                longest = Math.max(
                        longest,
                        text(pin, "label").length() + text(pin, "position").length() + 2);
            }
        }
        int left = 12 + 7 * longest;
        int right = left + 84;
        Map<String, Double> volts = new LinkedHashMap<>();
        file.path("rails")
                .forEach(r ->
                        volts.put(r.path("id").asString(""), r.path("volts").asDouble(1)));
        List<Hole> holes = new ArrayList<>();
        int bottom = 0;
        for (String side : List.of("left", "right")) {
            int y = EDGE;
            String strip = null;
            for (JsonNode pin : sides.get(side)) {
                y += strip == null || strip.equals(text(pin, "group")) ? 0 : PITCH / 2;
                strip = text(pin, "group");
                String rail = text(pin, "rail");
                String look = rail.isEmpty() ? "signal" : volts.getOrDefault(rail, 1.0) == 0 ? "ground" : "supply";
                holes.add(new Hole(
                        side.equals("left") ? left : right, y, text(pin, "position"), text(pin, "label"), side, look));
                y += PITCH;
            }
            bottom = Math.max(bottom, y);
        }
        return new HeaderDrawing(
                right + 12 + 7 * longest,
                bottom + 4,
                holes,
                holes.isEmpty() ? List.of() : List.of(new Outline(left - 14, 6, right - left + 28, bottom - 10)));
    }

    /** The pins at each edge from the top. */
    private static Map<String, List<JsonNode>> sides(JsonNode file, Map<String, List<JsonNode>> strips) {
        Map<String, JsonNode> single = new LinkedHashMap<>();
        file.path("pins").forEach(p -> single.put(text(p, "id"), p));
        JsonNode layout = file.path("layout");
        Set<String> upwards = new LinkedHashSet<>();
        layout.path("upwards").forEach(n -> upwards.add(n.asString("")));
        Map<String, List<String>> names = new LinkedHashMap<>();
        Set<String> named = new LinkedHashSet<>();
        for (String side : List.of("left", "right")) {
            List<String> own = new ArrayList<>();
            layout.path(side).forEach(n -> own.add(n.asString("")));
            names.put(side, own);
            named.addAll(own);
        }
        String before = null;
        for (String strip : strips.keySet()) {
            boolean there = strips.get(strip).stream().allMatch(p -> named.contains(text(p, "id")));
            if (!named.contains(strip) && !there) {
                boolean left = names.get("left").size() <= names.get("right").size();
                names.get(left ? "left" : "right").add(strip);
                if (!left && runsOn(strips, before, strip)) {
                    upwards.add(strip);
                }
            }
            before = strip;
        }
        Map<String, List<JsonNode>> sides = new LinkedHashMap<>();
        names.forEach((side, list) -> {
            List<JsonNode> pins = new ArrayList<>();
            for (String name : list) {
                if (strips.containsKey(name)) {
                    List<JsonNode> strip = new ArrayList<>(strips.get(name));
                    strip.removeIf(p -> named.contains(text(p, "id")));
                    if (upwards.contains(name)) {
                        Collections.reverse(strip);
                    }
                    pins.addAll(strip);
                } else if (single.containsKey(name)) {
                    pins.add(single.get(name));
                }
            }
            sides.put(side, pins);
        });
        return sides;
    }

    private static boolean runsOn(Map<String, List<JsonNode>> strips, String before, String after) {
        List<JsonNode> a = strips.getOrDefault(before, List.of());
        List<JsonNode> b = strips.getOrDefault(after, List.of());
        if (a.isEmpty() || b.isEmpty()) {
            return false;
        }
        try {
            return Integer.parseInt(text(b.get(0), "position"))
                    == Integer.parseInt(text(a.get(a.size() - 1), "position")) + 1;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static String text(JsonNode node, String name) {
        return node.path(name).asString("");
    }
}
