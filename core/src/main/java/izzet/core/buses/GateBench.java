package izzet.core.buses;

import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.List;

/**
 * A clock gate tried by hand: which output carries the clock, and who hears it.
 *
 * @param rows by select value, from 0
 * @param source of its truth table
 */
public record GateBench(Unit unit, Part.ClockGate gate, List<Row> rows, String source) {

    /**
     * What one select value does.
     *
     * @param levels of the select lines in their order
     * @param output that follows the clock, the others idle high; null where the value reaches none
     * @param hear parts whose clock hangs on it
     */
    public record Row(int value, List<Boolean> levels, String output, List<Unit> hear) {}

    /**
     * The edges that parts see when the select moves while the clock stands still.
     *
     * @param high the clock's level meanwhile
     * @param rising outputs that go up, falling likewise; empty where nothing moves
     */
    public record Move(boolean high, List<String> rising, List<String> falling) {
        public boolean quiet() {
            return rising.isEmpty() && falling.isEmpty();
        }
    }

    public static List<GateBench> of(Circuit circuit) {
        List<GateBench> all = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            for (Part.ClockGate gate : unit.part().clockGates()) {
                List<Row> rows = new ArrayList<>();
                for (int value = 0; value < 1 << gate.selects().size(); value++) {
                    List<Boolean> levels = new ArrayList<>();
                    for (int bit = 0; bit < gate.selects().size(); bit++) {
                        levels.add((value >> bit & 1) == 1);
                    }
                    String output =
                            value < gate.outputs().size() ? gate.outputs().get(value) : null;
                    rows.add(new Row(value, levels, output, output == null ? List.of() : hear(circuit, unit, output)));
                }
                all.add(new GateBench(unit, gate, rows, unit.part().source(gate.source())));
            }
        }
        return all;
    }

    private static List<Unit> hear(Circuit circuit, Unit unit, String output) {
        return circuit.netOf(Target.line(unit.id(), output)).map(Net::wires).orElse(List.of()).stream()
                .map(Wire::unit)
                .filter(u -> u != unit && !u.id().equals(unit.id()))
                .distinct()
                .toList();
    }

    /** "Clock gate, clock into 1E": a chip with two halves is two gates. */
    public String title() {
        return unit.name() + ", clock into " + gate.clock();
    }

    /** Whether an output is high at a select value and a level of the clock. */
    public boolean level(String output, int value, boolean clock) {
        return !output.equals(rows.get(value).output()) || clock;
    }

    /** The select goes from one value to another while the clock stays where it is. */
    public Move move(int from, int to, boolean clock) {
        List<String> rising = new ArrayList<>();
        List<String> falling = new ArrayList<>();
        for (String output : gate.outputs()) {
            boolean before = level(output, from, clock);
            boolean after = level(output, to, clock);
            if (!before && after) {
                rising.add(output);
            } else if (before && !after) {
                falling.add(output);
            }
        }
        return new Move(clock, rising, falling);
    }

    /** Names of those behind an output; the output's own where nobody is. */
    public String names(String output) {
        String names = rows.stream()
                .filter(r -> output.equals(r.output()))
                .flatMap(r -> r.hear().stream())
                .map(Unit::name)
                .collect(Listed.and());
        return names.isEmpty() ? output : names;
    }
}
