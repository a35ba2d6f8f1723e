package izzet.app.drawing;

import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.Part;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * The header of a part or board as it lies in front of you. A file may be unfinished: what cannot be placed is left out.
 * A part's pins stand in one row. A board's strips stand at its two edges, as its {@code layout} says; without one, in the order of the
 * file, left and right in turn, and where numbers run on from one strip to the next they run round the board, as on a chip.
 *
 * @param holes pins
 * @param outlines boards or modules that the pins are on
 */
public record HeaderDrawing(int width, int height, List<Hole> holes, List<Outline> outlines) {

    private static final int PITCH = 22;
    private static final int EDGE = 24;
    private static final List<String> SIDES = List.of("left", "right");

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

    /** A pin of a board as far as it is known; nothing is null. */
    private record Place(String id, String group, String position, String label, String rail) {}

    /** Where strips and pins lie. */
    private record Edges(List<String> left, List<String> right, List<String> upwards) {

        List<String> at(String side) {
            return side.equals("left") ? left : right;
        }
    }

    /** A line of a part that has a place on its header. */
    private record Spot(int place, String id, String role) {}

    public static HeaderDrawing of(CatalogItem item) {
        return item instanceof Board board ? board(board) : part((Part) item);
    }

    /** From a file that may be unfinished. */
    public static HeaderDrawing of(JsonNode file, boolean board) {
        return board ? board(file) : part(file);
    }

    private static HeaderDrawing board(Board board) {
        Map<String, Double> volts = new LinkedHashMap<>();
        board.rails().forEach(r -> volts.put(r.id(), r.volts()));
        Board.Layout layout = board.layout();
        return board(
                board.pins().stream()
                        .map(p -> new Place(
                                p.id(),
                                Objects.toString(p.group(), ""),
                                Objects.toString(p.position(), ""),
                                Objects.toString(p.label(), ""),
                                Objects.toString(p.rail(), "")))
                        .toList(),
                volts,
                layout == null
                        ? new Edges(List.of(), List.of(), List.of())
                        : new Edges(layout.left(), layout.right(), layout.upwards()));
    }

    private static HeaderDrawing part(Part part) {
        return part(part.lines().stream()
                .filter(l -> l.header() != null)
                .map(l -> new Spot(l.header(), l.id(), l.role().text()))
                .toList());
    }

    private static HeaderDrawing part(JsonNode file) {
        List<Spot> spots = new ArrayList<>();
        file.path("lines").forEach(l -> {
            if (l.path("header").isInt()) {
                spots.add(new Spot(l.get("header").asInt(), text(l, "id"), text(l, "role")));
            }
        });
        return part(spots);
    }

    private static HeaderDrawing part(List<Spot> spots) {
        List<Hole> holes = new ArrayList<>();
        int x = EDGE;
        int before = 0;
        for (Spot spot :
                spots.stream().sorted(Comparator.comparingInt(Spot::place)).toList()) {
            x += before == 0 ? 0 : PITCH * Math.max(1, Math.min(4, spot.place() - before));
            before = spot.place();
            String look =
                    switch (spot.role()) {
                        case "ground", "return" -> "ground";
                        case "supply" -> "supply";
                        default -> "signal";
                    };
            holes.add(new Hole(x, EDGE, String.valueOf(spot.place()), spot.id(), "below", look));
        }
        int width = x + EDGE;
        int longest = holes.stream().mapToInt(h -> h.label().length()).max().orElse(0);
        int height = EDGE + 40 + 8 * longest;
        return new HeaderDrawing(
                width, height, holes, holes.isEmpty() ? List.of() : List.of(new Outline(4, 4, width - 8, height - 8)));
    }

    private static HeaderDrawing board(JsonNode file) {
        List<Place> pins = new ArrayList<>();
        file.path("pins")
                .forEach(p -> pins.add(new Place(
                        text(p, "id"), text(p, "group"), text(p, "position"), text(p, "label"), text(p, "rail"))));
        Map<String, Double> volts = new LinkedHashMap<>();
        file.path("rails").forEach(r -> volts.put(text(r, "id"), r.path("volts").asDouble(1)));
        JsonNode layout = file.path("layout");
        return board(
                pins,
                volts,
                new Edges(names(layout.path("left")), names(layout.path("right")), names(layout.path("upwards"))));
    }

    private static HeaderDrawing board(List<Place> pins, Map<String, Double> volts, Edges edges) {
        Map<String, List<Place>> strips = new LinkedHashMap<>();
        pins.forEach(
                p -> strips.computeIfAbsent(p.group(), g -> new ArrayList<>()).add(p));
        Map<String, List<Place>> sides = sides(pins, strips, edges);
        int longest = pins.stream()
                .mapToInt(p -> p.label().length() + p.position().length() + 2)
                .max()
                .orElse(0);
        int left = 12 + 7 * longest;
        int right = left + 84;
        List<Hole> holes = new ArrayList<>();
        int bottom = 0;
        for (String side : SIDES) {
            int y = EDGE;
            String strip = null;
            for (Place pin : sides.get(side)) {
                y += strip == null || strip.equals(pin.group()) ? 0 : PITCH / 2;
                strip = pin.group();
                String rail = pin.rail();
                String look = rail.isEmpty() ? "signal" : volts.getOrDefault(rail, 1.0) == 0 ? "ground" : "supply";
                holes.add(new Hole(side.equals("left") ? left : right, y, pin.position(), pin.label(), side, look));
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
    private static Map<String, List<Place>> sides(List<Place> all, Map<String, List<Place>> strips, Edges edges) {
        Map<String, Place> single = new LinkedHashMap<>();
        all.forEach(p -> single.put(p.id(), p));
        Set<String> upwards = new LinkedHashSet<>(edges.upwards());
        Map<String, List<String>> names = new LinkedHashMap<>();
        Set<String> named = new LinkedHashSet<>();
        for (String side : SIDES) {
            names.put(side, new ArrayList<>(edges.at(side)));
            named.addAll(edges.at(side));
        }
        String before = null;
        for (String strip : strips.keySet()) {
            boolean there = strips.get(strip).stream().allMatch(p -> named.contains(p.id()));
            if (!named.contains(strip) && !there) {
                boolean left = names.get("left").size() <= names.get("right").size();
                names.get(left ? "left" : "right").add(strip);
                if (!left && runsOn(strips, before, strip)) {
                    upwards.add(strip);
                }
            }
            before = strip;
        }
        Map<String, List<Place>> sides = new LinkedHashMap<>();
        names.forEach((side, list) -> {
            List<Place> pins = new ArrayList<>();
            for (String name : list) {
                if (strips.containsKey(name)) {
                    List<Place> strip = new ArrayList<>(strips.get(name));
                    strip.removeIf(p -> named.contains(p.id()));
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

    private static boolean runsOn(Map<String, List<Place>> strips, String before, String after) {
        List<Place> a = strips.getOrDefault(before, List.of());
        List<Place> b = strips.getOrDefault(after, List.of());
        if (a.isEmpty() || b.isEmpty()) {
            return false;
        }
        try {
            return Integer.parseInt(b.get(0).position())
                    == Integer.parseInt(a.get(a.size() - 1).position()) + 1;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static List<String> names(JsonNode list) {
        List<String> names = new ArrayList<>();
        list.forEach(n -> names.add(n.asString("")));
        return names;
    }

    private static String text(JsonNode node, String name) {
        return node.path(name).asString("");
    }
}
