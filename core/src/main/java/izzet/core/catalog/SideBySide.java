package izzet.core.catalog;

import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

/** What parts that look alike have in common and what not, property by property. */
public final class SideBySide {

    private static final String NONE = "none";

    private SideBySide() {}

    /**
     * @param values of each part, in their order
     * @param differ whether they are not all the same
     */
    public record Row(String property, List<String> values, boolean differ) {
        public Row {
            values = List.copyOf(values);
        }
    }

    /**
     * Rows that say something of one part at least; those that differ first.
     *
     * @param millimetres whether diagonals are said in millimetres instead of inches
     */
    public static List<Row> of(List<Part> parts, boolean millimetres) {
        Map<String, Function<Part, String>> properties = new LinkedHashMap<>();
        properties.put("header, in its order", SideBySide::header);
        properties.put("shows", p -> glass(p, millimetres));
        properties.put("supply", SideBySide::supply);
        properties.put("own logic supply", p -> p.logicVolts() == null ? NONE : volts(p.logicVolts()));
        properties.put("survives on a signal", SideBySide::survives);
        properties.put(
                "interfaces",
                p -> p.interfaces().stream().map(Part.Interface::name).collect(Collectors.joining(", ")));
        properties.put("addresses", SideBySide::addresses);
        properties.put(
                "fitted pull-ups",
                p -> p.pullUps().isEmpty()
                        ? NONE
                        : p.pullUps().stream()
                                .map(u -> String.join(", ", u.lines()) + ": " + Quantity.ohms(u.ohms()))
                                .collect(Collectors.joining("; ")));
        properties.put("clock at most", SideBySide::clock);
        properties.put("controller's memory", SideBySide::memory);
        properties.put(
                "order of colours",
                p -> p.glass() == null || p.glass().order() == null
                        ? NONE
                        : p.glass().order());
        new TreeSet<>(parts.stream().flatMap(p -> p.tells().keySet().stream()).toList())
                .stream()
                        .filter(t -> !t.equals(LookAlikes.FAMILY))
                        .forEach(t -> properties.put(
                                t.replace('-', ' '), p -> p.tells().getOrDefault(t, NONE)));
        List<Row> rows = new ArrayList<>();
        properties.forEach((name, value) -> {
            List<String> values = parts.stream().map(value).toList();
            boolean differ = values.stream().distinct().count() > 1;
            if (differ || !values.get(0).equals(NONE)) {
                rows.add(new Row(name, values, differ));
            }
        });
        rows.sort(Comparator.comparing(r -> !r.differ()));
        return rows;
    }

    private static String header(Part part) {
        String labels = part.headerLabels();
        return labels.isEmpty() ? NONE : labels;
    }

    private static String glass(Part part, boolean millimetres) {
        Part.Glass g = part.glass();
        return g == null
                ? NONE
                : g.columns() + " × " + g.rows() + " " + g.shows() + (g.colours() == null ? "" : ", " + g.colours())
                        + (g.inches() == null ? "" : ", " + g.diagonal(millimetres));
    }

    private static String supply(Part part) {
        Part.Supply s = part.supply();
        return s == null ? NONE : volts(s.minVolts()) + " to " + volts(s.maxVolts());
    }

    private static String survives(Part part) {
        LogicLevels logic = part.levels().get("logic");
        if (logic == null || logic.absMax() == null) {
            return NONE;
        }
        return logic.absMax().ratio() == 0
                ? volts(logic.absMax().volts())
                : "its logic supply + " + volts(logic.absMax().volts());
    }

    private static String addresses(Part part) {
        SortedSet<Integer> reach = part.addresses();
        if (reach.isEmpty()) {
            return NONE;
        }
        boolean run = reach.last() - reach.first() == reach.size() - 1;
        return reach.size() > 2 && run
                ? Hex.of(reach.first()) + " to " + Hex.of(reach.last())
                : reach.stream().map(Hex::of).collect(Collectors.joining(", "));
    }

    private static String clock(Part part) {
        Integer hertz = part.i2c() != null
                ? Integer.valueOf(part.i2c().maxHz())
                : part.spi() != null ? Integer.valueOf(part.spi().maxWriteHz()) : null;
        return hertz == null ? NONE : Quantity.hertz(hertz).toString();
    }

    private static String memory(Part part) {
        Part.Glass g = part.glass();
        if (g == null || g.memoryColumns() == null) {
            return NONE;
        }
        return g.memoryColumns()
                + (g.memoryRows() == null ? " columns" : " × " + g.memoryRows())
                + (g.offsetColumns() == null ? "" : ", first column " + g.offsetColumns());
    }

    private static String volts(double volts) {
        return Quantity.volts(volts).toString();
    }
}
