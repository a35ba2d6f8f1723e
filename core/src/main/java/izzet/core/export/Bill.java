package izzet.core.export;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Connection;
import izzet.core.quantity.Quantity;
import izzet.core.wiring.WiringList;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** What a plan is made of: the board, its parts, resistors, wires by colour and kind of their ends. */
public final class Bill {

    /** @param note what it is for, or that the drawer has it */
    public record Row(int count, String thing, String note, boolean atHand) {}

    private Bill() {}

    /** Resistors of the maker's drawer are at hand. */
    public static List<Row> of(Circuit circuit, Maker maker) {
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(1, circuit.board().name(), "the board", false));
        Map<String, List<String>> parts = new LinkedHashMap<>();
        for (Unit unit : circuit.units()) {
            parts.computeIfAbsent(unit.part().name(), n -> new ArrayList<>()).add(unit.name());
        }
        parts.forEach((name, units) -> rows.add(new Row(units.size(), name, String.join(", ", units), false)));
        Map<Double, Integer> ohms = new TreeMap<>();
        Stream.concat(
                        circuit.connections().stream()
                                .map(Connection::seriesOhms)
                                .filter(o -> o != null && o > 0),
                        circuit.resistors().stream().map(r -> r.ohms()))
                .forEach(o -> ohms.merge(o, 1, Integer::sum));
        ohms.forEach((value, count) -> {
            boolean has = maker.drawer().values().contains(value);
            rows.add(new Row(count, "resistor " + Quantity.ohms(value), has ? "in your drawer" : "", has));
        });
        Map<String, Integer> wires = new TreeMap<>();
        for (WiringList.Step step : WiringList.steps(circuit, maker.colours())) {
            if (step.kind() == WiringList.Kind.WIRE || step.kind() == WiringList.Kind.ROW) {
                wires.merge(step.colour() + " wire, " + ends(circuit, step), 1, Integer::sum);
            }
        }
        String length = Math.round(circuit.plan().wireLength()) + " cm or less";
        wires.forEach((wire, count) -> rows.add(new Row(count, wire, length, false)));
        return rows;
    }

    /** A hole of a socket strip or row takes a pin, a pin of a header takes a socket; a module comes with either. */
    private static String ends(Circuit circuit, WiringList.Step step) {
        return end(circuit, step.from()) + " to " + end(circuit, step.to());
    }

    private static String end(Circuit circuit, WiringList.End end) {
        if (end.at() == null) {
            return "pin";
        }
        if (end.at().isPin()) {
            return circuit.board().numbering().position().contains("socket") ? "pin" : "socket";
        }
        boolean chip = circuit.unit(end.at().owner())
                .filter(u -> Boolean.TRUE.equals(u.part().bareChip()))
                .isPresent();
        return chip ? "pin" : "header";
    }
}
