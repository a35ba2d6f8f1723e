package izzet.core.levels;

import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.Comparator;
import java.util.List;

/**
 * Cells of a plan and what hangs on them.
 *
 * @param source their output
 * @param milliamps that the parts on them typically take
 * @param stops parts that stop before the cells are empty, the first to stop first
 */
public record CellBench(Wire source, double milliamps, List<Stop> stops) {

    /** @param volts below which the part is out of its range */
    public record Stop(Unit unit, double volts) {}

    /** Cells with a capacity that something hangs on, in the order of the plan. */
    public static List<CellBench> of(Circuit circuit) {
        return circuit.wires().stream()
                .filter(w -> w.role() == Role.SOURCE
                        && w.line().milliampHours() != null
                        && w.net().isPresent())
                .map(w -> of(circuit, w))
                .toList();
    }

    private static CellBench of(Circuit circuit, Wire source) {
        Rail rail = source.source().orElseThrow();
        PartLine line = source.line();
        List<Stop> stops = circuit.supplies().fedBy(rail).stream()
                .map(u -> new Stop(u, u.part().supply().minVolts()))
                .filter(s -> line.emptyVolts() != null && s.volts() > line.emptyVolts())
                .sorted(Comparator.comparingDouble(Stop::volts).reversed())
                .toList();
        return new CellBench(source, circuit.supplies().typicalMilliamps(rail), stops);
    }

    public double milliampHours() {
        return source.line().milliampHours();
    }
}
