package izzet.benchmarks;

import izzet.core.assign.Points;
import izzet.core.assign.Weights;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a person would write first: line after line, pin after pin, back where it does not go on; the price is reckoned when all lines have
 * a pin. The buses stay on the controllers that were proposed.
 */
final class NaiveAssigner {

    private final Catalog catalog;
    private final Plan present;
    private final List<List<Wire>> lines = new ArrayList<>();
    private final List<List<Pin>> options = new ArrayList<>();
    private final long end;
    private int best = Integer.MAX_VALUE;
    private boolean stopped;

    /** @param plan with buses and supplies connected */
    NaiveAssigner(Plan plan, Catalog catalog, long nanos) {
        this.catalog = catalog;
        this.present = plan;
        this.end = System.nanoTime() + nanos;
        Circuit circuit = new Circuit(plan, catalog);
        Map<String, List<Wire>> groups = new LinkedHashMap<>();
        for (Wire wire : circuit.wires()) {
            boolean open = wire.line().required()
                    && LegalPins.wantsPin(wire)
                    && circuit.netOf(wire.from()).isEmpty()
                    && wire.line().rest() == null;
            if (open) {
                String key = wire.role().bus()
                        ? wire.unit().placed().bus() + wire.busSignal()
                        : wire.from().toString();
                groups.computeIfAbsent(key, k -> new ArrayList<>()).add(wire);
            }
        }
        groups.values().forEach(g -> {
            lines.add(g);
            options.add(LegalPins.of(circuit, g.get(0)));
        });
    }

    /** Whether it came to an end in time. */
    boolean run() {
        place(0, present, new LinkedHashSet<>());
        return !stopped;
    }

    int best() {
        return best;
    }

    private void place(int line, Plan plan, Set<String> taken) {
        stopped |= System.nanoTime() > end;
        if (stopped) {
            return;
        }
        if (line == lines.size()) {
            best = Math.min(best, Weights.USUAL.price(Points.of(new Circuit(plan, catalog), present)));
            return;
        }
        for (Pin pin : options.get(line)) {
            if (taken.add(pin.id())) {
                Plan next = plan;
                for (Wire wire : lines.get(line)) {
                    next = new PlanEdit.Connect(wire.from(), Target.pin(pin.id())).apply(next);
                }
                place(line + 1, next, taken);
                taken.remove(pin.id());
            }
        }
    }
}
